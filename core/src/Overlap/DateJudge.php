<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\Instant;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\PlaceName;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\Zone;

/** Judges each date of a plan for each person: free or busy, in hours or not, and where local time has moved. */
final readonly class DateJudge
{
    /** @var Crowd<Participant> */
    private Crowd $crowd;

    /** @var array<string, Zone> each clock once */
    private array $zones;

    /** @param list<Participant> $people */
    public function __construct(private Plan $plan, private array $people)
    {
        $this->crowd = Crowd::of($people);
        $zones = [];
        foreach ($this->crowd->examples as $person) {
            if ($person->zone !== null) {
                $zones[$person->zone->key()] = $person->zone;
            }
        }
        $this->zones = $zones;
    }

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

        $lights = $this->lights($slot);

        return array_map(
            fn(Participant $person, int $group): Standing => $this->standing($person, $index, $lights[$group], $person->isAsked($this->plan->dates->walls[$index]) ? $this->clashes($person, $slot) : []),
            $this->people,
            $this->crowd->groupOf,
        );
    }

    private function state(int $index): DateState
    {
        $slot = $this->plan->slot($index);
        $required = $free = $unknown = 0;
        $troubles = [];
        $lights = $this->lights($slot);
        foreach ($this->people as $at => $person) {
            if (!$person->isAsked($this->plan->dates->walls[$index])) {
                continue;
            }
            $clashes = $this->clashes($person, $slot);
            if ($person->required) {
                $required++;
                $free += $clashes === [] && $person->calendarKnown ? 1 : 0;
                $unknown += $clashes === [] && !$person->calendarKnown ? 1 : 0;
            }
            $light = $lights[$this->crowd->groupOf[$at]];
            if ($clashes !== [] || ($light !== Light::InHours && $light !== Light::Unknown)) {
                $troubles[] = $this->standing($person, $index, $light, $clashes);
            }
        }
        [$shifts, $anchorShift] = $this->shifts($index);

        return new DateState(
            $index,
            WallTime::ofSeconds($this->plan->anchor->toWall($slot->start))->format(),
            Instant::ofSeconds($slot->start)->format(),
            $required,
            $free,
            $unknown,
            $troubles,
            $shifts,
            $anchorShift,
        );
    }

    /** @return array<int, Light> by group of the crowd */
    private function lights(Interval $slot): array
    {
        return array_map(
            // An all-day meeting takes no hours away from anybody's night.
            fn(Participant $p): Light => $this->plan->series->allDay ? Light::InHours : Daylight::of($slot, $p->hours, $p->zone),
            $this->crowd->examples,
        );
    }

    /** @return list<Busy> what the person has at that time */
    private function clashes(Participant $person, Interval $slot): array
    {
        return $person->taken->overlaps($slot) ? $person->busyDuring($slot) : [];
    }

    /** @param list<Busy> $clashes */
    private function standing(Participant $person, int $index, Light $light, array $clashes): Standing
    {
        $start = $this->plan->dates->starts[$index];

        return new Standing(
            $person->id,
            $person->required,
            match (true) {
                // A date is the same date everywhere.
                $this->plan->series->allDay => WallTime::ofSeconds($this->plan->dates->walls[$index])->format(),
                $person->zone === null => null,
                default => WallTime::ofSeconds($person->zone->toWall($start))->format(),
            },
            $light,
            array_map(static fn(Busy $b): string => $b->label, $clashes),
            $person->calendarKnown,
            self::gravest($clashes),
            $this->plan->series->allDay || $light === Light::InHours || $person->zone === null ? null : $person->hours->holiday(Gregorian::floorDiv($person->zone->toWall($start), 86400)),
            $person->zone === null || $person->zone->idAt($start) === $person->zone->id ? null : PlaceName::of($person->zone->idAt($start)),
        );
    }

    /** @param list<Busy> $clashes */
    private static function gravest(array $clashes): ?BusyKind
    {
        $kinds = array_map(static fn(Busy $b): BusyKind => $b->kind, $clashes);
        foreach ([BusyKind::Away, BusyKind::Busy, BusyKind::Tentative] as $kind) {
            if (in_array($kind, $kinds, true)) {
                return $kind;
            }
        }

        return null;
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
        foreach ($this->zones as $zone) {
            $moved = ($zone->toWall($now) - $zone->toWall($before) - $byRule) % 86400;
            // Whoever went somewhere else has another clock, and no clock has changed.
            if ($moved !== 0 && $zone->idAt($before) === $zone->idAt($now)) {
                $shifts[] = new PlaceShift(
                    PlaceName::of($zone->idAt($now)),
                    WallTime::ofSeconds($zone->toWall($before) + $byRule)->formatClock(),
                    WallTime::ofSeconds($zone->toWall($now))->formatClock(),
                    intdiv($moved > 43200 ? $moved - 86400 : ($moved < -43200 ? $moved + 86400 : $moved), 60),
                    $anchorShift !== 0 && $zone->offsetAt($now) === $zone->offsetAt($before),
                );
            }
        }

        return [$shifts, $anchorShift === 0 ? null : intdiv($anchorShift, 60)];
    }
}
