<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

use Syndex\Core\Time\Gregorian;

/**
 * Looks for a time of day that suits a whole series better.
 *
 * The order in one sentence: fewest dates on which somebody required is busy, then fewest times that somebody
 * required sits outside their hours, then nearest to the present time.
 *
 * Each date's day is cut into quarter hours. What a person has forbids a range of starts, so one pass over everybody's
 * stretches counts for every start at once.
 */
final readonly class FitSearch
{
    private const STEP = 15;

    /** Proposals lie at least this many minutes apart, else they would be one proposal told three times. */
    private const APART = 60;

    /** @var list<Participant> */
    private array $required;

    /** @param list<Participant> $people */
    public function __construct(private Plan $plan, array $people, private ColumnBuilder $columns, private HoursOnDates $hours)
    {
        $this->required = array_values(array_filter($people, static fn(Participant $p): bool => $p->required));
    }

    /** How the present time does, counted as the proposals are. */
    public function present(): Fit
    {
        $offHours = $clashDates = 0;
        for ($index = 0; $index < $this->plan->dates->count(); $index++) {
            $slot = $this->plan->slot($index);
            $busy = array_filter($this->required, static fn(Participant $p): bool => $p->taken->overlaps($slot));
            $clashDates += $busy === [] ? 0 : 1;
            foreach ($this->plan->series->allDay ? [] : $this->required as $person) {
                $offHours += $person->zone !== null && !$person->hours->cover($slot, $person->zone) ? 1 : 0;
            }
        }

        return $this->fit($this->columns->axis(0)->at($this->plan->dates->starts[0]), $clashDates, $offHours);
    }

    /** @return list<Fit> at most $most, best first, none that is not better than the present time */
    public function better(Fit $present, int $most): array
    {
        if ($this->plan->series->allDay || $this->required === [] || $this->plan->durationMinutes >= 1440) {
            return [];
        }
        [$clashes, $offHours] = $this->count();
        $candidates = [];
        foreach ($clashes as $step => $clashDates) {
            $fit = $this->fit($step * self::STEP, $clashDates, $offHours[$step]);
            if ([$fit->clashDates, $fit->offHours] < [$present->clashDates, $present->offHours]) {
                $candidates[] = $fit;
            }
        }
        usort($candidates, static fn(Fit $a, Fit $b): int => [$a->clashDates, $a->offHours, abs($a->at - $present->at), $a->at]
            <=> [$b->clashDates, $b->offHours, abs($b->at - $present->at), $b->at]);
        $chosen = [];
        foreach ($candidates as $fit) {
            if (array_filter($chosen, static fn(Fit $f): bool => abs($f->at - $fit->at) < self::APART) === []) {
                $chosen[] = $fit;
            }
            if (count($chosen) === $most) {
                break;
            }
        }

        return $chosen;
    }

    /** @return array{array<int, int>, array<int, int>} by quarter hour of the axis: dates with a clash; people off hours */
    private function count(): array
    {
        $steps = intdiv(Axis::MINUTES, self::STEP);
        $clashes = $off = array_fill(0, $steps, 0);
        for ($index = 0; $index < $this->plan->dates->count(); $index++) {
            $axis = $this->columns->axis($index);
            $reach = $this->columns->reach($axis);
            $busy = $inHours = array_fill(0, $steps + 1, 0);
            $unplaced = 0;
            foreach ($this->required as $person) {
                foreach ($person->taken->clippedTo($reach)->intervals as $taken) {
                    self::add($busy, intdiv($axis->at($taken->start) - $this->plan->durationMinutes + self::STEP * 1000, self::STEP) - 999, intdiv($axis->at($taken->end + 59) + self::STEP - 1, self::STEP) - 1);
                }
                if ($person->zone === null) {
                    $unplaced++;

                    continue;
                }
                foreach ($this->hours->of($person->hours, $person->zone, $reach)->intervals as $open) {
                    self::add($inHours, intdiv($axis->at($open->start) + self::STEP - 1, self::STEP), Gregorian::floorDiv($axis->at($open->end) - $this->plan->durationMinutes, self::STEP));
                }
            }
            $taken = 0;
            $in = $unplaced;
            for ($step = 0; $step < $steps; $step++) {
                $taken += $busy[$step];
                $in += $inHours[$step];
                $clashes[$step] += $taken > 0 ? 1 : 0;
                $off[$step] += count($this->required) - $in;
            }
        }

        return [$clashes, $off];
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

    private function fit(int $at, int $clashDates, int $offHours): Fit
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
            $this->plan->dates->count(),
        );
    }
}
