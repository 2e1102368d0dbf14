<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\Interval;

/**
 * Looks for a time of day that suits a whole series better.
 *
 * The order in one sentence: fewest dates on which somebody required is busy, then fewest times that somebody required sits
 * outside their hours, then fewest times that somebody optional is busy, then fewest minutes outside hours, then nearest to the
 * present time.
 *
 * Each date's day is cut into quarter hours. What a person has forbids a range of starts, so one pass over everybody's
 * stretches counts for every start at once.
 */
final class FitSearch
{
    private const STEP = 15;

    /** Proposals lie at least this many minutes apart, else they would be one proposal told three times. */
    private const APART = 60;

    /** Of so many dates that clash it is told who is busy. */
    private const TOLD = 12;

    /** @var list<Participant> */
    private readonly array $required;

    private readonly Crowd $crowd;

    /** @var array{array<int, list<string>>, array<string, array{int, int}>}|null */
    private ?array $hitsNow = null;

    /** @param list<Participant> $people */
    public function __construct(private readonly Plan $plan, private readonly array $people, private readonly ColumnBuilder $columns, private readonly HoursOnDates $hours)
    {
        $this->crowd = Crowd::of($people);
        $this->required = array_values(array_filter($people, static fn(Participant $p): bool => $p->required));
    }

    /** How the present time does, counted as the proposals are. */
    public function present(): Fit
    {
        $slots = $this->slots();
        [$clashes, $hits] = $this->hitsNow();
        $optionalBusy = 0;
        foreach ($this->people as $person) {
            foreach ($person->required ? [] : $slots as $slot) {
                $optionalBusy += $person->taken->overlaps($slot) ? 1 : 0;
            }
        }
        $at = $this->columns->axis(0)->at($this->plan->dates->starts[0]);

        return $this->fit($at, count($clashes), array_sum(array_column($hits, 1)), $optionalBusy, $this->offMinutes([$this->startsOf($slots)])[0], array_slice($clashes, 0, self::TOLD, true));
    }

    /** @return list<Fit> at most $most, best first, none that is not better than the present time */
    public function better(Fit $present, int $most): array
    {
        if ($this->plan->series->allDay || $this->required === [] || $this->plan->durationMinutes >= 1440) {
            return [];
        }
        [$clashes, $offHours, $optionalBusy] = $this->count();
        $ranks = array_map(static fn(int $dates, int $off, int $busy): array => [$dates, $off, $busy], $clashes, $offHours, $optionalBusy);
        $inOrder = $ranks;
        sort($inOrder);
        // Minutes are counted only of those that the others leave in question. Each that is chosen rules out those about it.
        $worst = min([$present->clashDates, $present->offHours, $present->optionalBusy], $inOrder[min(count($inOrder), $most * (2 * intdiv(self::APART, self::STEP) - 1)) - 1]);
        $steps = array_keys(array_filter($ranks, static fn(array $rank): bool => $rank <= $worst));
        $minutes = $this->offMinutes(array_map($this->starts(...), $steps));
        $candidates = [];
        foreach ($steps as $place => $step) {
            $fit = $this->fit($step * self::STEP, $clashes[$step], $offHours[$step], $optionalBusy[$step], $minutes[$place]);
            if ($fit->cost() < $present->cost()) {
                $candidates[] = $fit;
            }
        }
        usort($candidates, static fn(Fit $a, Fit $b): int => [$a->cost(), abs($a->at - $present->at), $a->at] <=> [$b->cost(), abs($b->at - $present->at), $b->at]);
        $chosen = [];
        foreach ($candidates as $fit) {
            if (array_filter($chosen, static fn(Fit $f): bool => abs($f->at - $fit->at) < self::APART) === []) {
                $chosen[] = $fit;
            }
            if (count($chosen) === $most) {
                break;
            }
        }
        return array_map($this->told(...), $chosen);
    }

    /** A time with who is busy when, and for whom it is worse than the present one. */
    private function told(Fit $fit): Fit
    {
        [, $now] = $this->hitsNow();
        $seconds = $this->plan->durationMinutes * 60;
        [$clashes, $hits] = $this->hits(array_map(static fn(int $start): Interval => Interval::between($start, $start + $seconds), $this->starts(intdiv($fit->at, self::STEP))));
        $worse = array_keys(array_filter($hits, static fn(array $hit, string|int $id): bool => $hit > $now[$id], ARRAY_FILTER_USE_BOTH));

        return $this->fit($fit->at, $fit->clashDates, $fit->offHours, $fit->optionalBusy, $fit->offMinutes, array_slice($clashes, 0, self::TOLD, true), array_map(strval(...), $worse));
    }

    /** @return list<Interval> all dates as they are */
    private function slots(): array
    {
        return array_map($this->plan->slot(...), array_keys($this->plan->dates->starts));
    }

    /** @return array{array<int, list<string>>, array<string, array{int, int}>} {@see hits} at the present time */
    private function hitsNow(): array
    {
        return $this->hitsNow ??= $this->hits($this->slots());
    }

    /** @return list<int> the starts of all dates, if they began so many quarter hours from the top of their axis */
    private function starts(int $step): array
    {
        return array_map(fn(int $index): int => $this->columns->axis($index)->window->start + $step * self::STEP * 60, array_keys($this->plan->dates->starts));
    }

    /**
     * @param  list<Interval>  $slots
     * @return list<int>
     */
    private function startsOf(array $slots): array
    {
        return array_map(static fn(Interval $slot): int => $slot->start, $slots);
    }

    /**
     * @param  list<Interval>  $slots  one for each date
     * @return array{array<int, list<string>>, array<string, array{int, int}>} who of the required is busy on which date; and of each on how many dates they are busy, and off hours
     */
    private function hits(array $slots): array
    {
        $clashes = $hits = [];
        $crowd = Crowd::of($this->required);
        $off = array_map(fn(Participant $p): int => $p->zone === null || $this->plan->series->allDay ? 0 : count(array_filter($slots, static fn(Interval $slot): bool => !$p->hours->cover($slot, $p->zone))), $crowd->examples);
        foreach ($this->required as $place => $person) {
            $busy = 0;
            foreach ($slots as $index => $slot) {
                if ($person->taken->overlaps($slot)) {
                    $clashes[$index][] = $person->id;
                    $busy++;
                }
            }
            $hits[$person->id] = [$busy, $off[$crowd->groupOf[$place]]];
        }
        ksort($clashes);

        return [$clashes, $hits];
    }

    /**
     * @param  list<list<int>>  $candidates  starts of all dates of each, the candidates ascending
     * @return list<int> of each: minutes that everybody sits outside their hours, over all dates
     */
    private function offMinutes(array $candidates): array
    {
        $outside = array_fill(0, count($candidates), 0);
        $seconds = $this->plan->durationMinutes * 60;
        $sizes = $this->crowd->sizes();
        foreach ($this->plan->series->allDay || $candidates === [] ? [] : array_keys($this->plan->dates->starts) as $index) {
            $reach = $this->columns->reach($this->columns->axis($index));
            $starts = array_column($candidates, $index);
            // The present time of a date need not lie on the axis of all dates.
            $window = Interval::between(min($reach->start, $starts[0]), max($reach->end, $starts[count($starts) - 1] + $seconds));
            foreach ($this->crowd->examples as $group => $person) {
                foreach ($person->zone === null ? [] : HoursSweep::outsideOf($this->hours->of($person->hours, $person->zone, $window), $starts, $seconds) as $place => $one) {
                    $outside[$place] += $one * $sizes[$group];
                }
            }
        }

        return array_values(array_map(static fn(int $all): int => intdiv($all, 60), $outside));
    }

    /** @return array{array<int, int>, array<int, int>, array<int, int>} by quarter hour of the axis: dates with a clash; required people off hours; optional people busy */
    private function count(): array
    {
        $steps = intdiv(Axis::MINUTES, self::STEP);
        $clashes = $off = $optional = array_fill(0, $steps, 0);
        for ($index = 0; $index < $this->plan->dates->count(); $index++) {
            $axis = $this->columns->axis($index);
            $reach = $this->columns->reach($axis);
            $busy = $optionalBusy = $inHours = array_fill(0, $steps + 1, 0);
            $unplaced = 0;
            foreach ($this->people as $person) {
                $next = 0;
                foreach ($person->taken->clippedTo($reach)->intervals as $taken) {
                    // Two stretches that touch one slot count once for one person.
                    $first = max($next, intdiv($axis->at($taken->start) - $this->plan->durationMinutes + self::STEP * 1000, self::STEP) - 999);
                    $last = intdiv($axis->at($taken->end + 59) + self::STEP - 1, self::STEP) - 1;
                    $next = max($next, $last + 1);
                    if ($person->required) {
                        self::add($busy, $first, $last);
                    } else {
                        self::add($optionalBusy, $first, $last);
                    }
                }
                if (!$person->required) {
                    continue;
                }
                if ($person->zone === null) {
                    $unplaced++;

                    continue;
                }
                foreach ($this->hours->of($person->hours, $person->zone, $reach)->intervals as $open) {
                    self::add($inHours, intdiv($axis->at($open->start) + self::STEP - 1, self::STEP), Gregorian::floorDiv($axis->at($open->end) - $this->plan->durationMinutes, self::STEP));
                }
            }
            $taken = $might = 0;
            $in = $unplaced;
            for ($step = 0; $step < $steps; $step++) {
                $taken += $busy[$step];
                $might += $optionalBusy[$step];
                $in += $inHours[$step];
                $clashes[$step] += $taken > 0 ? 1 : 0;
                $optional[$step] += $might;
                $off[$step] += count($this->required) - $in;
            }
        }

        return [$clashes, $off, $optional];
    }

    /**
     * Counts one more for every step of a range, both ends included.
     *
     * @param  array<int, int>  $changes
     */
    private static function add(array &$changes, int $from, int $to): void
    {
        $from = max(0, $from);
        $to = min(count($changes) - 2, $to);
        if ($from <= $to) {
            $changes[$from]++;
            $changes[$to + 1]--;
        }
    }

    /**
     * @param  array<int, list<string>>  $clashes
     * @param  list<string>  $worse
     */
    private function fit(int $at, int $clashDates, int $offHours, int $optionalBusy, int $offMinutes, array $clashes = [], array $worse = []): Fit
    {
        $first = $this->plan->anchor->toWall($this->plan->dates->starts[0]);
        $wall = $this->plan->anchor->toWall($this->columns->axis(0)->window->start + $at * 60);
        $minute = intdiv(Gregorian::floorMod($wall, 86400), 60);

        return new Fit(
            sprintf('%02d:%02d', intdiv($minute, 60), $minute % 60),
            $at,
            Gregorian::floorDiv($wall, 86400) - Gregorian::floorDiv($first, 86400),
            $clashDates,
            $offHours,
            $optionalBusy,
            $offMinutes,
            $this->plan->dates->count(),
            $clashes,
            $worse,
        );
    }
}
