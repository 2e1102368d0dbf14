<?php

declare(strict_types=1);

namespace Syndex\Core\Headless;

use Syndex\Core\Overlap\Daylight;
use Syndex\Core\Overlap\RotaSearch;
use Syndex\Core\Shifts\PersonClock;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\InvalidTime;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\Zone;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\Work;

/** Turns of a few times over the dates of a series, so that the worst off have it as good as can be. */
final readonly class Rota implements Verb
{
    private const MOST_TIMES = 6;

    /** Steps of work to hold one slot against somebody's hours. */
    private const A_SLOT = 12;

    /** Hours are laid out around a slot so far, in seconds: what lies farther off cannot reach it. */
    private const AROUND = 2 * 86400;

    public function __construct(private ZoneData $zones) {}

    public function keys(): array
    {
        return ['tzid', 'dates', 'times', 'duration', 'people'];
    }

    public function answer(Fields $fields): array
    {
        $work = Work::atMost(Protocol::MOST_STEPS);
        $fields->mustName('tzid');
        $tzid = $fields->textOrNull('tzid');
        if ($tzid === null) {
            throw BadLine::floating();
        }
        $zone = $this->zones->zone($tzid);
        $fields->mustName('dates');
        $dates = self::dates($fields->texts('dates'), $work);
        $fields->mustName('times');
        $times = self::times($fields->texts('times'));
        $seconds = $fields->neededNumber('duration', 1) * 60;
        $people = PeopleKeys::clocks($fields, $this->zones, $work);
        $costs = self::costs($people, $zone, $dates, $times, $seconds, $work);
        $search = new RotaSearch(count($dates), count($times), $costs);
        $turns = $search->turns();

        return [
            'turns' => $turns,
            'burden' => array_map(static fn(PersonClock $person, int $at): array => [
                'id' => $person->id,
                'nights' => array_sum(array_map(static fn(int $time, int $date): int => $costs[$at][$date][$time][0], $turns, array_keys($turns))),
                'outside' => array_sum(array_map(static fn(int $time, int $date): int => $costs[$at][$date][$time][1], $turns, array_keys($turns))),
            ], $people, array_keys($people)),
        ];
    }

    /**
     * @param  list<PersonClock>  $people
     * @param  list<int>  $dates  midnights
     * @param  list<int>  $times  seconds of the day
     * @return list<array<int, array<int, array{int, int}>>> of each person: by date and time, whether it is night, whether it is outside
     */
    private static function costs(array $people, Zone $zone, array $dates, array $times, int $seconds, Work $work): array
    {
        $known = $costs = [];
        foreach ($people as $person) {
            // People of one clock with the same hours are hit alike.
            $key = $person->zone->key() . ' ' . $person->hours->key();
            if (!isset($known[$key])) {
                $known[$key] = [];
                $work->spend((self::A_SLOT + intdiv($seconds, 43200)) * count($dates) * count($times));
                foreach ($dates as $at => $midnight) {
                    foreach ($times as $place => $time) {
                        $start = $zone->toUtc($midnight + $time);
                        $slot = Interval::between($start, $start + $seconds);
                        $hours = $person->hours->within(Interval::between($slot->start - self::AROUND, $slot->end + self::AROUND), $person->zone);
                        $outside = $hours->covers($slot) ? 0 : 1;
                        $known[$key][$at][$place] = [$outside === 0 || $hours->widenedBy(Daylight::DUSK_MINUTES * 60)->covers($slot) ? 0 : 1, $outside];
                    }
                }
            }
            $costs[] = $known[$key];
        }

        return $costs;
    }

    /**
     * @param  list<string>  $texts
     * @return list<int> midnights, ascending
     */
    private static function dates(array $texts, Work $work): array
    {
        $dates = [];
        foreach ($texts as $text) {
            $work->spend(SeriesKeys::EACH_DATE);
            try {
                $date = WallTime::parseDate($text)->seconds;
            } catch (InvalidTime) {
                throw BadLine::badValue('dates', 'dates like "2026-12-08"', $text);
            }
            if ($dates !== [] && $date <= $dates[count($dates) - 1]) {
                throw BadLine::badValue('dates', 'dates in ascending order', $text);
            }
            $dates[] = $date;
        }

        return $dates;
    }

    /**
     * @param  list<string>  $texts
     * @return non-empty-list<int> seconds of the day
     */
    private static function times(array $texts): array
    {
        $times = [];
        foreach ($texts as $text) {
            if (preg_match('/\A([01]\d|2[0-3]):([0-5]\d)\z/', $text, $m) !== 1) {
                throw BadLine::badValue('times', 'times like "15:30"', $text);
            }
            $time = (int) $m[1] * 3600 + (int) $m[2] * 60;
            if (in_array($time, $times, true)) {
                throw BadLine::badValue('times', 'times that differ', $text);
            }
            $times[] = $time;
        }

        return $times !== [] && count($times) <= self::MOST_TIMES ? $times : throw BadLine::badValue('times', 'from 1 to ' . self::MOST_TIMES . ' times', $texts);
    }
}
