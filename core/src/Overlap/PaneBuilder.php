<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\IntervalSet;
use Syndex\Core\Time\PlaceName;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\Zone;

/** Builds the panes of one day: people grouped by place, the light of each place, its clock, its threads. */
final readonly class PaneBuilder
{
    private const HOUR_MARKS_EVERY = 3;

    /** @param list<Participant> $people */
    public function __construct(private Plan $plan, private array $people, private Axis $axis, private int $index) {}

    /** @return list<Pane> from west to east; people without a known zone last */
    public function panes(): array
    {
        $groups = [];
        foreach ($this->people as $person) {
            $groups[$this->signature($this->place($person))][] = $person;
        }
        $panes = array_map(fn(array $group): Pane => $this->pane($group), array_values($groups));
        usort($panes, static fn(Pane $a, Pane $b): int => [$a->offset ?? PHP_INT_MAX, $a->key] <=> [$b->offset ?? PHP_INT_MAX, $b->key]);

        return $panes;
    }

    /** Where somebody is when the meeting is. */
    private function place(Participant $person): ?Zone
    {
        return $person->zone?->placeAt($this->plan->dates->starts[$this->index]);
    }

    /** Zones that show the same offset on every date, and at both ends of this day, are one place for the board. */
    private function signature(?Zone $zone): string
    {
        if ($zone === null) {
            return 'unknown';
        }
        $offsets = array_map($zone->offsetAt(...), [...$this->plan->dates->starts, $this->axis->window->start, $this->axis->window->end]);

        return hash('xxh64', implode(',', $offsets));
    }

    /** @param non-empty-list<Participant> $group */
    private function pane(array $group): Pane
    {
        $zone = $this->place($group[0]);
        $threads = array_map($this->thread(...), $group);
        if ($zone === null) {
            return new Pane('unknown', [], [], null, null, [], [], [], [], $threads);
        }
        $perZone = array_count_values(array_map(fn(Participant $p): string => $p->zone?->idAt($this->plan->dates->starts[$this->index]) ?? '', $group));
        arsort($perZone);
        $zones = array_map(strval(...), array_keys($perZone));
        [$hours, $midnights] = $this->axis->marks($zone, self::HOUR_MARKS_EVERY);

        return new Pane(
            $zones[0],
            array_values(array_unique(array_map(static fn(string $id): string => PlaceName::of($id), $zones))),
            $zones,
            intdiv($zone->offsetAt($this->plan->dates->starts[$this->index]), 60),
            WallTime::ofSeconds($zone->toWall($this->axis->window->start))->format(),
            $this->ground($group, $zone),
            $hours,
            $midnights,
            $this->clock($zone),
            $threads,
        );
    }

    private function thread(Participant $person): Thread
    {
        $lanes = $person->zone === null ? [] : $this->segments($person->hours->within($this->axis->window, $person->zone), 'hours');
        $blocks = $this->holidays($person);
        foreach ($person->busyDuring($this->axis->window) as $busy) {
            $blocks[] = $this->axis->segment($busy->interval, $busy->kind->value, $busy->label);
        }

        return new Thread($person->id, $person->required, $person->host, $person->calendarKnown, $lanes, array_values(array_filter($blocks)));
    }

    /** @return list<?Segment> the hours that would be on days that are holidays */
    private function holidays(Participant $person): array
    {
        if ($person->zone === null) {
            return [];
        }
        $found = [];
        [$from, $to] = Daylight::usualSpan($person->hours);
        for ($day = Gregorian::floorDiv($person->zone->toWall($this->axis->window->start), 86400); $day <= Gregorian::floorDiv($person->zone->toWall($this->axis->window->end), 86400); $day++) {
            $name = $person->hours->holiday($day);
            $start = $person->zone->toUtc($day * 86400 + $from * 60);
            $end = $person->zone->toUtc($day * 86400 + $to * 60);
            if ($name !== null && $end > $start) {
                $found[] = $this->axis->segment(Interval::between($start, $end), 'holiday', $name);
            }
        }

        return $found;
    }

    /**
     * Day where all the required (all people, where none is) are in their hours; dusk where some are, or within two
     * hours of theirs; a day off where the calendar day holds no hours for any of them; night otherwise.
     *
     * @param  non-empty-list<Participant>  $group
     * @return list<Segment>
     */
    private function ground(array $group, Zone $zone): array
    {
        $required = array_values(array_filter($group, static fn(Participant $p): bool => $p->required)) ?: $group;
        $window = $this->axis->window;
        $wide = Interval::between($window->start - 4 * 3600, $window->end + 4 * 3600);
        $hours = array_map(static fn(Participant $p): IntervalSet => $p->hours->within($wide, $zone), $required);
        $near = IntervalSet::of(array_merge(...array_map(static fn(IntervalSet $s): array => $s->intervals, $hours)))->widenedBy(Daylight::DUSK_MINUTES * 60);
        $off = $this->daysOff($required, $zone);

        $cuts = [$window->start => true, $window->end => true];
        foreach ([...$hours, $near, $off] as $set) {
            foreach ($set->intervals as $interval) {
                $cuts[$interval->start] = $cuts[$interval->end] = true;
            }
        }
        $cuts = array_values(array_filter(array_keys($cuts), static fn(int $at): bool => $at >= $window->start && $at <= $window->end));
        sort($cuts);

        $ground = [];
        for ($i = 0; $i + 1 < count($cuts); $i++) {
            $piece = Interval::between($cuts[$i], $cuts[$i + 1]);
            $in = count(array_filter($hours, static fn(IntervalSet $s): bool => $s->overlaps($piece)));
            $tone = match (true) {
                $in === count($hours) => 'day',
                $in > 0 => 'dusk',
                $off->overlaps($piece) => 'day_off',
                $near->overlaps($piece) => 'dusk',
                default => 'night',
            };
            $last = array_key_last($ground);
            if ($last !== null && $ground[$last]->tone === $tone) {
                $ground[$last] = new Segment($ground[$last]->from, $this->axis->at($piece->end), $tone);
            } else {
                $ground[] = new Segment($this->axis->at($piece->start), $this->axis->at($piece->end), $tone);
            }
        }

        return $ground;
    }

    /**
     * The daytime of calendar days on which none of these people works.
     *
     * @param  non-empty-list<Participant>  $people
     */
    private function daysOff(array $people, Zone $zone): IntervalSet
    {
        $spans = array_map(static fn(Participant $p): array => Daylight::usualSpan($p->hours), $people);
        $from = min(array_column($spans, 0)) - Daylight::DUSK_MINUTES;
        $to = max(array_column($spans, 1)) + Daylight::DUSK_MINUTES;
        $off = [];
        $first = Gregorian::floorDiv($zone->toWall($this->axis->window->start), 86400);
        $last = Gregorian::floorDiv($zone->toWall($this->axis->window->end), 86400);
        for ($day = $first; $day <= $last; $day++) {
            if ($to > $from && array_filter($people, static fn(Participant $p): bool => !$p->hours->isDayOff($day)) === []) {
                $start = $zone->toUtc($day * 86400 + max(0, $from) * 60);
                $end = $zone->toUtc($day * 86400 + min(1440, $to) * 60);
                if ($end > $start) {
                    $off[] = Interval::between($start, $end);
                }
            }
        }

        return IntervalSet::of($off);
    }

    /** @return list<array{at: int, minutes: int}> */
    private function clock(Zone $zone): array
    {
        $changes = [];
        foreach ($zone->changesBetween($this->axis->window->start + 1, $this->axis->window->end) as $change) {
            if ($change['after'] !== $change['before']) {
                $changes[] = ['at' => $this->axis->at($change['at']), 'minutes' => intdiv($change['after'] - $change['before'], 60)];
            }
        }

        return $changes;
    }

    /** @return list<Segment> */
    private function segments(IntervalSet $set, string $tone): array
    {
        return array_values(array_filter(array_map(fn(Interval $i): ?Segment => $this->axis->segment($i, $tone), $set->intervals)));
    }
}
