<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\WorkingHours;
use Syndex\Core\Time\Zone;

/** Tells how a stretch of time falls into a working day. */
final class Daylight
{
    /** Dusk reaches this far from somebody's hours. */
    public const DUSK_MINUTES = 120;

    public static function of(Interval $slot, WorkingHours $hours, ?Zone $zone): Light
    {
        if ($zone === null) {
            return Light::Unknown;
        }

        return $hours->cover($slot, $zone) ? Light::InHours : self::outside($slot, $hours, $zone);
    }

    /** Of a stretch that is known not to lie within the hours. */
    public static function outside(Interval $slot, WorkingHours $hours, Zone $zone): Light
    {
        $wall = $zone->toWall($slot->start);
        $day = Gregorian::floorDiv($wall, 86400);
        $start = intdiv($wall - $day * 86400, 60);
        $end = $start + intdiv($slot->seconds() + 59, 60);

        return $hours->isDayOff($day) ? self::onDayOff($hours, $start, $end) : self::onWorkday($hours->ofDay($day), $start, $end);
    }

    /**
     * When a person's days usually begin and end, over all weekdays with hours.
     *
     * @return array{int, int} minutes of the day; an empty span if there are no hours at all
     */
    public static function usualSpan(WorkingHours $hours): array
    {
        [$from, $to] = [1440, 0];
        for ($weekday = 0; $weekday < 7; $weekday++) {
            // Day number 4 is a Monday.
            foreach ($hours->ofDay(4 + $weekday) as [$start, $end]) {
                [$from, $to] = [min($from, $start), max($to, $end)];
            }
        }

        return $from < $to ? [$from, $to] : [0, 0];
    }

    private static function onDayOff(WorkingHours $hours, int $start, int $end): Light
    {
        [$from, $to] = self::usualSpan($hours);

        return $start >= $from - self::DUSK_MINUTES && $end <= $to + self::DUSK_MINUTES ? Light::DayOff : Light::Night;
    }

    /** @param list<array{int, int}> $stretches */
    private static function onWorkday(array $stretches, int $start, int $end): Light
    {
        $first = $stretches[0][0];
        $last = $stretches[count($stretches) - 1][1];

        return match (true) {
            $start < $first - self::DUSK_MINUTES || $end > $last + self::DUSK_MINUTES => Light::Night,
            $start < $first => Light::BeforeHours,
            $end > $last => Light::AfterHours,
            default => Light::BetweenHours,
        };
    }
}
