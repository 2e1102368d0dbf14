<?php

declare(strict_types=1);

namespace Syndex\Core\Headless;

use Syndex\Core\Shifts\PersonClock;
use Syndex\Core\Time\InvalidHours;
use Syndex\Core\Time\WorkingHours;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\Work;

/** People as lines name them: an id, a zone, the hours of each weekday. */
final class PeopleKeys
{
    /** Steps of work, measured against an instance of a rule. */
    public const EACH_PERSON = 30;

    private const EACH_STRETCH = 4;

    /** @return list<PersonClock> */
    public static function clocks(Fields $fields, ZoneData $zones, Work $work): array
    {
        $fields->mustName('people');
        $people = [];
        foreach ($fields->objects('people') as $object) {
            $person = Fields::of($object, ['id', 'tzid', 'hours']);
            $work->spend(self::EACH_PERSON + self::EACH_STRETCH * count((array) $person->raw('hours'), COUNT_RECURSIVE));
            $people[] = new PersonClock($person->text('id'), $zones->zone($person->text('tzid')), self::hours($person));
        }

        return $people;
    }

    public static function hours(Fields $person): WorkingHours
    {
        $person->mustName('hours');
        $hours = $person->raw('hours');
        if (!$hours instanceof \stdClass) {
            throw BadLine::badValue('hours', 'an object of weekdays', $hours);
        }
        $days = [];
        foreach (get_object_vars($hours) as $day => $stretches) {
            if (!in_array((string) $day, WorkingHours::DAYS, true)) {
                throw BadLine::unknownKey((string) $day);
            }
            $days[(string) $day] = self::stretches($stretches);
        }
        try {
            return WorkingHours::of($days);
        } catch (InvalidHours $bad) {
            throw BadLine::badValue('hours', 'stretches like ["09:00","17:00"] that end after they start', $bad->got);
        }
    }

    /** @return list<array{string, string}> */
    private static function stretches(mixed $given): array
    {
        if (!is_array($given)) {
            throw BadLine::badValue('hours', 'a list of stretches', $given);
        }
        $stretches = [];
        foreach ($given as $stretch) {
            if (!is_array($stretch) || count($stretch) !== 2 || !is_string($stretch[0] ?? null) || !is_string($stretch[1] ?? null)) {
                throw BadLine::badValue('hours', 'stretches like ["09:00","17:00"]', $stretch);
            }
            $stretches[] = [$stretch[0], $stretch[1]];
        }

        return $stretches;
    }
}
