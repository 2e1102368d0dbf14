<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

use Syndex\Core\Time\BareStretches;
use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\IntervalSet;
use Syndex\Core\Time\WorkingHours;

/** What a search over all dates of a plan stands on: numbered starts of every date, and what everybody has around them. */
final readonly class SearchGround
{
    /** Seconds from one start to the next. */
    public const STEP = 900;

    /** Starts of a day. */
    public const A_DAY = 96;

    /** Hours are known so far around what is looked at: dusk may reach into it. */
    private const MARGIN = 3 * 3600;

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

    /** @var Crowd<Participant> */
    public Crowd $crowd;

    /** @var array<int, list<int>> what each who is required has for sure, by their place: {@see BareStretches} */
    public array $taken;

    /** @var array<int, list<int>> what each who is optional has for sure, of those who have something, by their place */
    public array $optional;

    /** @var array<int, IntervalSet> what the required perhaps have, of those who do */
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
        $grids = $taken = $optional = $perhaps = $hours = [];
        foreach ($plan->dates->walls as $wall) {
            $grids[] = StartGrid::of($plan->anchor, $wall + $this->offset * 60, self::STEP, max(1, $this->count));
        }
        $this->crowd = Crowd::of($people);
        $required = $this->crowd->required();
        foreach ($people as $place => $person) {
            if ($person->required) {
                $taken[$place] = self::firm($person);
                $maybe = array_filter($person->busy, static fn(Busy $b): bool => $b->kind === BusyKind::Tentative);
                if ($maybe !== []) {
                    $perhaps[$place] = IntervalSet::of(array_values(array_map(static fn(Busy $b): Interval => $b->interval, $maybe)));
                }
            } else {
                $pairs = $others[$person->id] ?? ($person->busy === [] ? [] : self::firm($person));
                if ($pairs !== []) {
                    $optional[$place] = $pairs;
                }
            }
        }
        $this->taken = $taken;
        $this->optional = $optional;
        $this->required = array_sum($required);
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
        $this->perhaps = $perhaps;
        $this->hours = $hours;
    }

    /** By how many minutes a start lies from the present one. */
    public function shift(int $number): int
    {
        return $this->offset + $number * intdiv(self::STEP, 60);
    }

    /** @return list<int> what somebody has for sure */
    private static function firm(Participant $person): array
    {
        $from = $until = [];
        foreach ($person->busy as $busy) {
            if ($busy->kind !== BusyKind::Tentative) {
                $from[] = $busy->interval->start;
                $until[] = $busy->interval->end;
            }
        }

        return BareStretches::of($from, $until);
    }

    /** When somebody is left in peace: by their own hours for it, else by those of all. */
    public function quiet(Participant $person): ?WorkingHours
    {
        return $person->quiet ?? $this->wishes->quiet;
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
