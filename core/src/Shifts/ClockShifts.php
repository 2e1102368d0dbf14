<?php

declare(strict_types=1);

namespace Syndex\Core\Shifts;

use Syndex\Core\Recurrence\Expansion;
use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\Interval;
use Syndex\Core\Work;

/**
 * Clock shifts: who moves on which date of a series from what to what, since zones change their clocks on different
 * dates, and which dates land outside whose hours.
 */
final class ClockShifts
{
    /** What one person on one date costs, beside one step of walking a rule. */
    private const STEPS_A_DATE = 3;

    /**
     * @param list<int> $starts moments of the dates, UTC seconds
     * @param list<PersonClock> $people
     * @return list<PersonShifts> in the order of the people
     */
    public static function of(array $starts, int $durationMinutes, array $people, Work $work): array
    {
        return array_map(static fn(PersonClock $person): PersonShifts => self::ofPerson($starts, $durationMinutes, $person, $work), $people);
    }

    /**
     * The same, but a change is one of the clocks alone: a date that the series itself puts at another time of day is none.
     *
     * @param list<PersonClock> $people
     * @return list<PersonShifts> in the order of the people
     */
    public static function ofClocks(Expansion $dates, int $durationMinutes, array $people, Work $work): array
    {
        return array_map(static fn(PersonClock $person): PersonShifts => self::ofClock($dates, self::ofPerson($dates->starts, $durationMinutes, $person, $work)), $people);
    }

    private static function ofClock(Expansion $dates, PersonShifts $shifts): PersonShifts
    {
        $changes = [];
        $before = null;
        foreach ($dates->starts as $index => $start) {
            $local = $shifts->person->zone->toWall($start);
            $wall = $dates->walls[$index];
            if ($before !== null && ($local - $wall - $before) % 86400 !== 0) {
                $changes[] = new ClockChange($index, self::text(Gregorian::floorMod($wall + $before, 86400)), self::text(Gregorian::floorMod($local, 86400)));
            }
            $before = $local - $wall;
        }

        return new PersonShifts($shifts->person, $changes, $shifts->outside);
    }

    /** @param list<int> $starts */
    private static function ofPerson(array $starts, int $durationMinutes, PersonClock $person, Work $work): PersonShifts
    {
        $work->spend(self::STEPS_A_DATE * count($starts));
        $changes = $outside = [];
        $before = null;
        foreach ($starts as $index => $start) {
            $clock = Gregorian::floorMod($person->zone->toWall($start), 86400);
            if ($before !== null && $clock !== $before) {
                $changes[] = new ClockChange($index, self::text($before), self::text($clock));
            }
            $before = $clock;
            if (!$person->hours->cover(Interval::lasting($start, $durationMinutes), $person->zone)) {
                $outside[] = $index;
            }
        }

        return new PersonShifts($person, $changes, $outside);
    }

    private static function text(int $secondOfDay): string
    {
        return sprintf('%02d:%02d', intdiv($secondOfDay, 3600), intdiv($secondOfDay, 60) % 60);
    }
}
