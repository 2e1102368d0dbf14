<?php

declare(strict_types=1);

namespace Syndex\Core\Offers;

use Syndex\Core\Overlap\Daylight;
use Syndex\Core\Overlap\Light;
use Syndex\Core\Overlap\Segment;
use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\WorkingHours;
use Syndex\Core\Time\Zone;

/** A time as one person's own day shows it: from midnight to midnight by the wall clock, with the light of their hours. */
final readonly class OwnDay
{
    public const MINUTES = 1440;

    /**
     * @param  list<Segment>  $ground  minutes of the day; tone is day, dusk, day_off or night
     * @param  int  $barAt  minute of the day at which it begins
     */
    private function __construct(public array $ground, public int $barAt, public Light $light) {}

    public static function of(Interval $slot, WorkingHours $hours, Zone $zone): self
    {
        $wall = $zone->toWall($slot->start);
        $day = Gregorian::floorDiv($wall, 86400);

        return new self(self::ground($hours, $day), intdiv($wall - $day * 86400, 60), Daylight::of($slot, $hours, $zone));
    }

    /** @return list<Segment> */
    private static function ground(WorkingHours $hours, int $day): array
    {
        $isOff = $hours->isDayOff($day);
        $stretches = $isOff ? [] : $hours->ofDay($day);
        [$from, $to] = $isOff ? Daylight::usualSpan($hours) : [$stretches[0][0], $stretches[count($stretches) - 1][1]];
        $hasLight = $to > $from;
        [$from, $to] = [max(0, $from - Daylight::DUSK_MINUTES), min(self::MINUTES, $to + Daylight::DUSK_MINUTES)];
        $cuts = [0, self::MINUTES, ...($hasLight ? [$from, $to] : []), ...array_merge(...$stretches)];
        $cuts = array_values(array_unique($cuts));
        sort($cuts);
        $ground = [];
        foreach (array_slice($cuts, 1) as $at => $end) {
            $start = $cuts[$at];
            $ground[] = new Segment($start, $end, match (true) {
                array_filter($stretches, static fn(array $s): bool => $s[0] <= $start && $end <= $s[1]) !== [] => 'day',
                !$hasLight, $start < $from, $end > $to => 'night',
                default => $isOff ? 'day_off' : 'dusk',
            });
        }

        return $ground;
    }
}
