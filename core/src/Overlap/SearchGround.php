<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\IntervalSet;
use Syndex\Core\Time\PackedStretches;

/** What a search over all dates of a plan stands on: numbered starts of every date, and what everybody has around them. */
final readonly class SearchGround
{
    /** Seconds from one start to the next. */
    public const STEP = 900;

    /** Starts of a day. */
    public const A_DAY = 96;

    /** Hours are known so far around what is looked at: dusk may reach into it. */
    private const MARGIN = 3 * 3600;

    /** @var list<array<int, list<Interval>>> by date: what each has for sure around it, by their place; only of those who are asked and have something */
    public array $takenOn;

    /** How many people are required on any date. */
    public int $required;

    /** @var list<list<int>> required people of each group, by date */
    public array $requiredOn;

    /** @var list<list<int>> people of each group, by date */
    public array $sizesOn;

    public int $count;

    public int $seconds;

    /** Minutes by which the first start lies from the present one. */
    public int $offset;

    /** @var list<StartGrid> of each date */
    public array $grids;

    public Crowd $crowd;

    /** @var list<IntervalSet> what each person has for sure, by place in the list */
    public array $firm;

    /** @var array<int, list<int>> of those optional people of whom it is known so: starts and ends by turns, by place in the list */
    public array $others;

    /** @var array<int, IntervalSet> what they perhaps have, of those who do */
    public array $perhaps;

    /** @var list<list<IntervalSet>> working hours by date and group */
    public array $hours;

    /**
     * @param  list<Participant>  $people
     * @param  int  $fromDay  so many days from the present one the first that is looked at, 0 or less
     * @param  int  $toDay  and the last, 0 or more
     * @param  array<string, list<int>>  $others  what optional people have, where it does not stand with them: starts and ends by turns, in order, none touching another
     */
    public function __construct(public Plan $plan, public array $people, public int $fromDay, int $toDay, public Wishes $wishes, array $others = [])
    {
        $this->seconds = $plan->durationMinutes * 60;
        $this->count = ($toDay - $fromDay + 1) * self::A_DAY;
        $first = $plan->dates->walls[0];
        $this->offset = intdiv(Gregorian::floorDiv($first, 86400) * 86400 + $fromDay * 86400 - $first, 60);
        $grids = $allFirm = $perhaps = $hours = [];
        foreach ($plan->dates->walls as $wall) {
            $grids[] = StartGrid::of($plan->anchor, $wall + $this->offset * 60, self::STEP, max(1, $this->count));
        }
        $this->crowd = Crowd::of($people);
        $required = array_fill(0, count($this->crowd->examples), 0);
        $pairs = [];
        $nothing = IntervalSet::of([]);
        foreach ($people as $place => $person) {
            if (isset($others[$person->id]) && !$person->required) {
                $pairs[$place] = $others[$person->id];
                $allFirm[] = $nothing;

                continue;
            }
            $required[$this->crowd->groupOf[$place]] += $person->required ? 1 : 0;
            $firm = $maybe = [];
            foreach ($person->busy as $busy) {
                if ($busy->kind === BusyKind::Tentative) {
                    $maybe[] = $busy->interval;
                } else {
                    $firm[] = $busy->interval;
                }
            }
            $allFirm[] = $maybe === [] ? $person->taken : IntervalSet::of($firm);
            if ($maybe !== []) {
                $perhaps[$place] = IntervalSet::of($maybe);
            }
        }
        $this->required = array_sum($required);
        $this->others = $pairs;
        $requiredOn = $sizesOn = [];
        $partly = array_filter($people, static fn(Participant $p): bool => $p->leftOut !== []);
        $allSizes = $this->crowd->sizes();
        foreach ($plan->dates->walls as $wall) {
            [$requiredNow, $sizes] = [$required, $allSizes];
            foreach ($partly as $place => $person) {
                if (!$person->isAsked($wall)) {
                    $sizes[$this->crowd->groupOf[$place]]--;
                    $requiredNow[$this->crowd->groupOf[$place]] -= $person->required ? 1 : 0;
                }
            }
            $requiredOn[] = array_values($requiredNow);
            $sizesOn[] = array_values($sizes);
        }
        $this->requiredOn = $requiredOn;
        $this->sizesOn = $sizesOn;
        foreach ($grids as $grid) {
            $reach = $grid->reach($this->seconds, self::MARGIN);
            $hours[] = array_map(static fn(Participant $p): IntervalSet => $p->zone === null ? IntervalSet::of([$reach]) : $p->hours->within($reach, $p->zone), $this->crowd->examples);
        }
        $this->grids = $grids;
        $this->takenOn = $this->around($grids, $allFirm);
        $this->firm = $allFirm;
        $this->perhaps = $perhaps;
        $this->hours = $hours;
    }

    /** By how many minutes a start lies from the present one. */
    public function shift(int $number): int
    {
        return $this->offset + $number * intdiv(self::STEP, 60);
    }

    /**
     * @param  list<StartGrid>  $grids
     * @param  list<IntervalSet>  $firm
     * @return list<array<int, list<Interval>>>
     */
    private function around(array $grids, array $firm): array
    {
        $takenOn = array_fill(0, count($grids), []);
        foreach ($grids as $index => $grid) {
            $reach = $grid->reach($this->seconds, $this->wishes->pauseMinutes * 60);
            foreach ($firm as $place => $taken) {
                $around = $taken->intervals !== [] && $this->isAsked($place, $index) ? $taken->overlapping($reach) : [];
                if ($around !== []) {
                    $takenOn[$index][$place] = $around;
                }
            }
        }

        return $takenOn;
    }

    /** Whether somebody has something for sure then. */
    public function isTaken(int $place, Interval $slot): bool
    {
        $pairs = $this->others[$place] ?? null;
        if ($pairs === null) {
            return $this->firm[$place]->overlaps($slot);
        }
        $at = PackedStretches::firstEndingAfter($pairs, $slot->start);

        return isset($pairs[$at]) && $pairs[$at] < $slot->end;
    }

    /** @return array<int, IntervalSet> what each who is required has for sure, by their place */
    public function requiredFirm(): array
    {
        return array_filter($this->firm, fn(int $place): bool => $this->people[$place]->required, ARRAY_FILTER_USE_KEY);
    }

    public function isAsked(int $place, int $index): bool
    {
        return $this->people[$place]->leftOut === [] || $this->people[$place]->isAsked($this->plan->dates->walls[$index]);
    }

    /**
     * The dates on which somebody is asked.
     *
     * @param  list<Interval>  $slots  of all dates
     * @return array<int, Interval>
     */
    public function slotsOf(int $place, array $slots): array
    {
        return $this->people[$place]->leftOut === [] ? $slots : array_filter($slots, fn(int $index): bool => $this->isAsked($place, $index), ARRAY_FILTER_USE_KEY);
    }

    /** @return list<Interval> all dates as they are */
    public function present(): array
    {
        return array_map($this->plan->slot(...), array_keys($this->plan->dates->starts));
    }

    /** @return list<Interval> all dates, moved alike */
    public function movedBy(int $shiftMinutes): array
    {
        $number = intdiv($shiftMinutes - $this->offset, intdiv(self::STEP, 60));

        return array_map(fn(StartGrid $grid): Interval => Interval::between($grid->starts[$number], $grid->starts[$number] + $this->seconds), $this->grids);
    }
}
