<?php

declare(strict_types=1);

namespace Syndex\Core\Shifts;

use Syndex\Core\Recurrence\Expansion;
use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\Zone;
use Syndex\Core\Work;

/** Compares the zones that a series could be anchored in: fewest moves of anybody's clock first. */
final class AnchorAdvice
{
    /**
     * Each date keeps its distance on the wall from the first, as the series writes both, and the first keeps its moment.
     *
     * @param Zone $own the series' own zone
     * @param list<PersonClock> $people
     * @param Zone $utc
     * @return list<Anchor> by changes, outside, then the zone's name in byte order
     */
    public static function of(Expansion $dates, Zone $own, int $durationMinutes, array $people, Zone $utc, Work $work): array
    {
        $zones = [$own->id => $own, $utc->id => $utc];
        foreach ($people as $person) {
            $zones[$person->zone->id] = $person->zone;
        }
        $anchors = [];
        foreach ($zones as $zone) {
            $changes = $outside = 0;
            foreach (ClockShifts::of(self::anchoredIn($zone, $dates), $durationMinutes, $people, $work) as $shifts) {
                $changes += count($shifts->changes);
                $outside += count($shifts->outside);
            }
            $anchors[] = new Anchor($zone->id, $changes, $outside);
        }
        usort($anchors, static fn(Anchor $a, Anchor $b): int => [$a->changes, $a->outside] <=> [$b->changes, $b->outside] ?: strcmp($a->zoneId, $b->zoneId));

        return $anchors;
    }

    /**
     * For how many people local time would move at all, by anchor: the own zone first, then those that spare more people.
     *
     * @param list<Zone> $zones where people are, a zone as often as it has people
     * @return list<AnchorMoves>
     */
    public static function moves(Expansion $dates, Zone $own, array $zones): array
    {
        $counts = array_count_values(array_map(static fn(Zone $zone): string => $zone->id, $zones));
        $known = [$own->id => $own];
        foreach ($zones as $zone) {
            $known[$zone->id] = $zone;
        }
        $moves = [];
        foreach ($known as $anchor) {
            $anchored = self::anchoredIn($anchor, $dates);
            $people = 0;
            foreach ($counts as $id => $count) {
                $people += self::isMoved($anchored, $known[$id]) ? $count : 0;
            }
            $moves[] = new AnchorMoves($anchor->id, $people);
        }
        $first = array_shift($moves);
        usort($moves, static fn(AnchorMoves $a, AnchorMoves $b): int => $a->people <=> $b->people ?: strcmp($a->zoneId, $b->zoneId));

        return [$first, ...$moves];
    }

    /** @param list<int> $starts */
    private static function isMoved(array $starts, Zone $zone): bool
    {
        $first = null;
        foreach ($starts as $start) {
            $clock = Gregorian::floorMod($zone->toWall($start), 86400);
            $first ??= $clock;
            if ($clock !== $first) {
                return true;
            }
        }

        return false;
    }

    /** @return list<int> */
    private static function anchoredIn(Zone $zone, Expansion $dates): array
    {
        if ($dates->starts === []) {
            return [];
        }
        $distance = $zone->toWall($dates->starts[0]) - $dates->walls[0];

        return array_map(static fn(int $wall): int => $zone->toUtc($wall + $distance), $dates->walls);
    }
}
