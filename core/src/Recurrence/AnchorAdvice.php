<?php

declare(strict_types=1);

namespace Syndex\Core\Recurrence;

use Syndex\Core\Time\Zone;
use Syndex\Core\Work;

/** Compares the zones that a series could be anchored in: fewest moves of anybody's clock first. */
final class AnchorAdvice
{
    /**
     * Each date keeps its distance on the wall from the first, and the first keeps its moment.
     *
     * @param list<int> $starts moments of the dates, UTC seconds
     * @param Zone $own the series' own zone
     * @param list<PersonClock> $people
     * @param Zone $utc
     * @return list<Anchor> by changes, outside, then the zone's name in byte order
     */
    public static function of(array $starts, Zone $own, int $durationMinutes, array $people, Zone $utc, Work $work): array
    {
        $zones = [$own->id => $own, $utc->id => $utc];
        foreach ($people as $person) {
            $zones[$person->zone->id] = $person->zone;
        }
        $anchors = [];
        foreach ($zones as $zone) {
            $changes = $outside = 0;
            foreach (ClockShifts::of(self::anchoredIn($zone, $starts, $own), $durationMinutes, $people, $work) as $shifts) {
                $changes += count($shifts->changes);
                $outside += count($shifts->outside);
            }
            $anchors[] = new Anchor($zone->id, $changes, $outside);
        }
        usort($anchors, static fn(Anchor $a, Anchor $b): int => [$a->changes, $a->outside] <=> [$b->changes, $b->outside] ?: strcmp($a->zoneId, $b->zoneId));

        return $anchors;
    }

    /**
     * @param list<int> $starts
     * @return list<int>
     */
    private static function anchoredIn(Zone $zone, array $starts, Zone $own): array
    {
        if ($starts === []) {
            return [];
        }
        $distance = $zone->toWall($starts[0]) - $own->toWall($starts[0]);

        return array_map(static fn(int $start): int => $zone->toUtc($own->toWall($start) + $distance), $starts);
    }
}
