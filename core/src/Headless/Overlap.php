<?php

declare(strict_types=1);

namespace Syndex\Core\Headless;

use Syndex\Core\Overlap\FoundSlot;
use Syndex\Core\Overlap\SearchedPerson;
use Syndex\Core\Overlap\SlotSearch;
use Syndex\Core\Time\BareStretches;
use Syndex\Core\Time\Instant;
use Syndex\Core\Time\InstantTexts;
use Syndex\Core\Time\InvalidTime;
use Syndex\Core\Time\WorkingHours;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\Work;

/** Times that people have in common, the best first. */
final readonly class Overlap implements Verb
{
    /** A line may be as long as this, and takes as much time again for each megabyte. */
    public const MOST_OCTETS = 48 * 1024 * 1024;

    private const A_MEGABYTE = 1_000_000;

    /** Steps of work to read a busy stretch. */
    private const A_STRETCH = 3;

    public function __construct(private ZoneData $zones) {}

    public function keys(): array
    {
        return ['from', 'to', 'duration', 'step', 'limit', 'people'];
    }

    public function answer(Fields $fields): array
    {
        $people = $fields->objects('people');
        $work = Work::atMost(Protocol::MOST_STEPS * (1 + intdiv($fields->octets, self::A_MEGABYTE)));
        $from = $this->instant($fields, 'from');
        $to = $this->instant($fields, 'to');
        $minutes = $fields->neededNumber('duration', 1);
        $step = $fields->neededNumber('step', 1);
        $limit = $fields->neededNumber('limit', 1);
        $fields->mustName('people');
        $searched = $this->people($people, $work);
        $most = intdiv(PHP_INT_MAX, 120);
        if ($people === [] || $from >= $to || $minutes > $most || $minutes * 60 > $to - $from) {
            return ['slots' => []];
        }
        $search = new SlotSearch($from, $to, $minutes * 60, min($step, $most) * 60, $work);

        return ['slots' => array_map(static fn(FoundSlot $slot): array => [
            'start' => Instant::ofSeconds($slot->start)->format(),
            'end' => Instant::ofSeconds($slot->end)->format(),
            'required_off_hours' => $slot->requiredOff,
            'optional_busy' => $slot->optionalBusy,
            'off_hours_minutes' => $slot->offMinutes,
        ], $search->best($searched, $limit))];
    }

    private function instant(Fields $fields, string $key): int
    {
        return SeriesKeys::instant($fields, $key)->seconds ?? throw BadLine::missing($key);
    }

    /**
     * @param  list<\stdClass>  $objects
     * @return list<SearchedPerson>
     */
    private function people(array $objects, Work $work): array
    {
        $people = $hours = [];
        $texts = new InstantTexts();
        foreach ($objects as $object) {
            $person = Fields::of($object, ['id', 'role', 'tzid', 'hours', 'busy']);
            $person->mustName('role');
            $taken = self::busy($person->raw('busy'), $texts, $work);
            // What has been read is not held twice.
            unset($object->busy);
            // Many have the same hours: each is read once.
            $key = json_encode($person->raw('hours'));
            $hours[$key] ??= self::hours($person, $work);
            $work->spend(PeopleKeys::EACH_PERSON);
            $people[] = new SearchedPerson($person->text('id'), $person->oneOf('role', ['required', 'optional'], 'required') === 'required', $this->zones->zone($person->text('tzid')), $hours[$key], $taken);
        }

        return $people;
    }

    private static function hours(Fields $person, Work $work): WorkingHours
    {
        $work->spend(PeopleKeys::EACH_PERSON + 4 * count((array) $person->raw('hours'), COUNT_RECURSIVE));

        return PeopleKeys::hours($person);
    }

    /** @return list<int> {@see BareStretches} */
    private static function busy(mixed $given, InstantTexts $texts, Work $work): array
    {
        if ($given === null) {
            return [];
        }
        if (!is_array($given)) {
            throw BadLine::badValue('busy', 'a list of stretches', $given);
        }
        $work->spend(self::A_STRETCH * count($given));
        $from = $until = [];
        foreach ($given as $stretch) {
            if (!is_array($stretch) || count($stretch) !== 2 || !is_string($stretch[0] ?? null) || !is_string($stretch[1] ?? null)) {
                throw BadLine::badValue('busy', 'stretches like ["2026-12-08T12:00:00Z","2026-12-08T13:00:00Z"]', $stretch);
            }
            try {
                $start = $texts->seconds($stretch[0]);
                $end = $texts->seconds($stretch[1]);
            } catch (InvalidTime) {
                throw BadLine::badValue('busy', 'stretches of instants like "2026-12-08T12:00:00Z"', $stretch);
            }
            if ($end < $start) {
                throw BadLine::badValue('busy', 'stretches that do not end before they start', $stretch);
            }
            $from[] = $start;
            $until[] = $end;
        }

        return BareStretches::of($from, $until);
    }
}
