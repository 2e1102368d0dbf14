<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

use Syndex\Core\Time\Instant;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\PlaceName;
use Syndex\Core\Time\WallTime;

/** Judges each date of a plan for each person: free or busy, in hours or not, and where local time has moved. */
final readonly class DateJudge
{
    /** @param list<Participant> $people */
    public function __construct(private Plan $plan, private array $people) {}

    /** @return list<DateState> */
    public function all(): array
    {
        $states = [];
        for ($index = 0; $index < $this->plan->dates->count(); $index++) {
            $states[] = $this->state($index);
        }

        return $states;
    }

    /** @return list<Standing> everyone at one date */
    public function standings(int $index): array
    {
        $slot = $this->plan->slot($index);

        return array_map(fn(Participant $p): Standing => $this->standing($p, $slot), $this->people);
    }

    private function state(int $index): DateState
    {
        $slot = $this->plan->slot($index);
        $required = $free = 0;
        $troubles = [];
        foreach ($this->people as $person) {
            $standing = $this->standing($person, $slot);
            if ($person->required) {
                $required++;
                $free += $standing->clashes === [] ? 1 : 0;
            }
            if ($standing->clashes !== [] || !in_array($standing->light, [Light::InHours, Light::Unknown], true)) {
                $troubles[] = $standing;
            }
        }
        [$shifts, $anchorShift] = $this->shifts($index);

        return new DateState(
            $index,
            WallTime::ofSeconds($this->plan->anchor->toWall($slot->start))->format(),
            Instant::ofSeconds($slot->start)->format(),
            $required,
            $free,
            $troubles,
            $shifts,
            $anchorShift,
        );
    }

    private function standing(Participant $person, Interval $slot): Standing
    {
        $clashes = [];
        if ($person->taken->overlaps($slot)) {
            foreach ($person->busyDuring($slot) as $busy) {
                $clashes[] = $busy->label;
            }
        }
        // An all-day meeting takes no hours away from anybody's night.
        $light = $this->plan->series->allDay ? Light::InHours : Daylight::of($slot, $person->hours, $person->zone);

        return new Standing(
            $person->id,
            $person->required,
            $person->zone === null ? null : WallTime::ofSeconds($person->zone->toWall($slot->start))->format(),
            $light,
            $clashes,
        );
    }

    /** @return array{list<PlaceShift>, ?int} the places whose local time moved, and the anchor's own change of clocks */
    private function shifts(int $index): array
    {
        if ($index === 0 || $this->plan->series->allDay) {
            return [[], null];
        }
        $dates = $this->plan->dates;
        [$before, $now] = array_slice($dates->starts, $index - 1, 2);
        $anchorShift = $this->plan->anchor->offsetAt($now) - $this->plan->anchor->offsetAt($before);
        // A start that the rule itself puts at another time of day moves nobody's clock.
        [$wallBefore, $wallNow] = array_slice($dates->walls, $index - 1, 2);
        $byRule = ($wallNow - $wallBefore) % 86400;
        $shifts = [];
        foreach ($this->zones() as $zone) {
            $moved = ($zone->toWall($now) - $zone->toWall($before) - $byRule) % 86400;
            if ($moved !== 0) {
                $shifts[] = new PlaceShift(
                    PlaceName::of($zone->id),
                    WallTime::ofSeconds($zone->toWall($before) + $byRule)->formatClock(),
                    WallTime::ofSeconds($zone->toWall($now))->formatClock(),
                    intdiv($moved > 43200 ? $moved - 86400 : ($moved < -43200 ? $moved + 86400 : $moved), 60),
                    $anchorShift !== 0 && $zone->offsetAt($now) === $zone->offsetAt($before),
                );
            }
        }

        return [$shifts, $anchorShift === 0 ? null : intdiv($anchorShift, 60)];
    }

    /** @return list<\Syndex\Core\Time\Zone> each zone once */
    private function zones(): array
    {
        $zones = [];
        foreach ($this->people as $person) {
            if ($person->zone !== null) {
                $zones[$person->zone->id] = $person->zone;
            }
        }

        return array_values($zones);
    }
}
