<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

use Syndex\Core\Time\BareStretches;
use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\IntervalSet;
use Syndex\Core\Time\WorkingHours;
use Syndex\Core\Time\Zone;
use Syndex\Core\TooMuchWork;

/**
 * Looks for two or three times of day to take by turns, where no single one is fair to all who are required.
 *
 * Which times: those whose equal shares leave the worst off as well as can be. In which order: {@see RotaSearch}, which is exact;
 * of a longer series it weighs the first dates, and the turns found are repeated. No turn falls where somebody required is busy
 * as long as another time of that date is free.
 */
final class RotaOffer
{
    /** Times of day are tried so many minutes apart, from the present one on. */
    private const STEP = 60;

    /** So many dates are weighed: three times to the power of them can be. */
    private const WEIGHED = 12;

    /** Seconds to spare at both ends of a day, since clocks change within some. */
    private const MARGIN = 3 * 3600;

    /** @var array<int, array<int, array<int, array{int, int}>>> by group, date and time of day: whether it is night and whether it is outside; of those that were asked for */
    private array $costs = [];

    /** @var array<int, array<int, IntervalSet>> by group and date, of those that were asked for */
    private array $hours = [];

    /** @var array<int, array<int, Interval>> by date and time of day, of those that were asked for */
    private array $slots = [];

    /** @var ?array{array<int, list<int>>, array<int, list<int>>, array<int, int>, array<int, int>} {@see weigh} */
    private ?array $weighed = null;

    /** @var list<int> minutes of the day */
    private array $clock;

    /** @var list<int> groups that have somebody required */
    private array $groups;

    /**
     * @param  list<Participant>  $people
     * @param  array<int, list<int>>  $taken  what each who is required has for sure, by their place: {@see BareStretches}
     * @param  Crowd<Participant>  $crowd
     */
    public function __construct(private readonly Plan $plan, private readonly array $people, private readonly Crowd $crowd, private readonly array $taken)
    {
        $start = intdiv(Gregorian::floorMod($plan->dates->walls[0], 86400), 60);
        $this->clock = range($start % self::STEP, 1439, self::STEP);
        $required = [];
        foreach ($people as $place => $person) {
            if ($person->required && $person->zone !== null) {
                $required[$crowd->groupOf[$place]] = true;
            }
        }
        $this->groups = array_keys($required);
    }

    /** @param int $most times: two or three */
    public function best(int $most): ?FoundRota
    {
        if ($this->plan->series->allDay || $this->groups === [] || $this->plan->dates->count() < 2) {
            return null;
        }
        $required = array_values(array_map(static fn(Participant $p): string => $p->id, array_filter($this->people, static fn(Participant $p): bool => $p->required)));
        $best = null;
        for ($times = 2; $times <= min($most, $this->plan->dates->count()); $times++) {
            $rota = $this->turns($this->choose($times));
            // More times are harder to keep in mind: they must leave somebody better off.
            if ($rota !== null && ($best === null || [count($rota->busy), $rota->worst($required)] < [count($best->busy), $best->worst($required)])) {
                $best = $rota;
            }
        }

        return $best;
    }

    private function slot(int $index, int $at): Interval
    {
        return $this->slots[$index][$at] ??= Interval::lasting($this->plan->anchor->toUtc(Gregorian::floorDiv($this->plan->dates->walls[$index], 86400) * 86400 + $this->clock[$at] * 60), $this->plan->durationMinutes);
    }

    /** @return array{int, int} whether it is night for a group, and whether outside their hours */
    private function costOf(int $group, int $index, int $at): array
    {
        if (!isset($this->costs[$group][$index][$at])) {
            $person = $this->crowd->examples[$group];
            $slot = $this->slot($index, $at);
            $zone = $person->zone;
            $this->costs[$group][$index][$at] = $zone === null || ($this->hours[$group][$index] ??= $this->hoursOn($index, $person->hours, $zone))->covers($slot) ? [0, 0] : [Daylight::outside($slot, $person->hours, $zone) === Light::Night ? 1 : 0, 1];
        }

        return $this->costs[$group][$index][$at];
    }

    /** Somebody's hours on the anchor's day of a date, and as far beyond it as a meeting begun on it can reach. */
    private function hoursOn(int $index, WorkingHours $hours, Zone $zone): IntervalSet
    {
        $midnight = Gregorian::floorDiv($this->plan->dates->walls[$index], 86400) * 86400;

        return $hours->within(Interval::between($this->plan->anchor->toUtc($midnight) - self::MARGIN, $this->plan->anchor->toUtc($midnight + 86400) + $this->plan->durationMinutes * 60 + self::MARGIN), $zone);
    }

    /** @return list<int> places of the required people who are busy then */
    private function busyAt(int $index, int $at): array
    {
        $slot = $this->slot($index, $at);
        $busy = [];
        foreach ($this->taken as $place => $taken) {
            if (BareStretches::overlap($taken, $slot->start, $slot->end) && $this->people[$place]->isAsked($this->plan->dates->walls[$index])) {
                $busy[] = $place;
            }
        }

        return $busy;
    }

    /** @return array{int, int} whether it is night for somebody, and whether outside their hours */
    private function cost(int $place, int $index, int $at): array
    {
        return $this->people[$place]->isAsked($this->plan->dates->walls[$index]) ? $this->costOf($this->crowd->groupOf[$place], $index, $at) : [0, 0];
    }

    /** @return list<int> places of the times of day whose equal shares are fairest */
    private function choose(int $times): array
    {
        [$nights, $outside, $stuck, $people] = $this->weighed ??= $this->weigh();
        $best = null;
        $chosen = [];
        foreach (self::choices(count($this->clock), $times) as $choice) {
            $all = -1;
            $busy = 0;
            foreach ($choice as $at) {
                $all &= $stuck[$at];
                $busy += $people[$at];
            }
            $rank = [self::ones($all), self::shares($nights, $choice), self::shares($outside, $choice), $busy];
            if ($best === null || $rank < $best) {
                [$best, $chosen] = [$rank, $choice];
            }
        }

        return $chosen;
    }

    /**
     * @param  array<int, list<int>>  $sums  by time of day: of each group
     * @param  list<int>  $choice
     * @return list<int> of the groups, the worst off first
     */
    private static function shares(array $sums, array $choice): array
    {
        $shares = $sums[$choice[0]];
        foreach (array_slice($choice, 1) as $at) {
            foreach ($sums[$at] as $group => $sum) {
                $shares[$group] += $sum;
            }
        }
        rsort($shares);

        return $shares;
    }

    private static function ones(int $bits): int
    {
        $ones = 0;
        while ($bits !== 0) {
            $bits &= $bits - 1;
            $ones++;
        }

        return $ones;
    }

    /** @return array{array<int, list<int>>, array<int, list<int>>, array<int, int>, array<int, int>} by time of day, over the dates that are weighed: nights and times outside of each group; the dates on which somebody is busy, as bits; how many are */
    private function weigh(): array
    {
        $nights = $outside = $stuck = $people = [];
        $indices = range(0, min($this->plan->dates->count(), self::WEIGHED) - 1);
        foreach (array_keys($this->clock) as $at) {
            $nights[$at] = $outside[$at] = [];
            $stuck[$at] = $people[$at] = 0;
            foreach ($this->groups as $group) {
                $of = array_map(fn(int $index): array => $this->costOf($group, $index, $at), $indices);
                $nights[$at][] = array_sum(array_column($of, 0));
                $outside[$at][] = array_sum(array_column($of, 1));
            }
            foreach ($indices as $index) {
                $busy = count($this->busyAt($index, $at));
                $stuck[$at] |= $busy > 0 ? 1 << $index : 0;
                $people[$at] += $busy;
            }
        }

        return [$nights, $outside, $stuck, $people];
    }

    /** @return list<list<int>> each choice ascending, in order */
    private static function choices(int $of, int $count, int $from = 0): array
    {
        if ($count === 0) {
            return [[]];
        }
        $choices = [];
        for ($at = $from; $at < $of; $at++) {
            foreach (self::choices($of, $count - 1, $at + 1) as $rest) {
                $choices[] = [$at, ...$rest];
            }
        }

        return $choices;
    }

    /** @param list<int> $chosen */
    private function turns(array $chosen): ?FoundRota
    {
        $dates = $this->plan->dates->count();
        $weighed = min($dates, self::WEIGHED);
        $costs = $barred = [];
        foreach ($this->people as $place => $person) {
            if ($person->required) {
                $costs[] = array_map(fn(int $index): array => array_map(fn(int $at): array => $this->cost($place, $index, $at), $chosen), range(0, $weighed - 1));
            }
        }
        for ($index = 0; $index < $dates; $index++) {
            $isBusy = array_map(fn(int $at): bool => $this->busyAt($index, $at) !== [], $chosen);
            $barred[$index] = in_array(false, $isBusy, true) ? $isBusy : array_fill(0, count($chosen), false);
        }
        try {
            $turns = (new RotaSearch($weighed, count($chosen), $costs, $barred))->turns();
        } catch (TooMuchWork) {
            return null;
        }
        for ($index = $weighed; $index < $dates; $index++) {
            $turn = $turns[$index % $weighed];
            $turns[] = $barred[$index][$turn] ? (int) array_search(false, $barred[$index], true) : $turn;
        }

        return $this->found($chosen, $turns, $weighed);
    }

    /**
     * @param  list<int>  $chosen
     * @param  list<int>  $turns
     */
    private function found(array $chosen, array $turns, int $weighed): FoundRota
    {
        $burden = $busy = $shifts = [];
        foreach ($this->people as $place => $person) {
            $of = array_map(fn(int $turn, int $index): array => $this->cost($place, $index, $chosen[$turn]), $turns, array_keys($turns));
            $burden[$person->id] = [array_sum(array_column($of, 0)), array_sum(array_column($of, 1))];
        }
        foreach ($turns as $index => $turn) {
            $shifts[] = $this->clock[$chosen[$turn]] - intdiv(Gregorian::floorMod($this->plan->dates->walls[$index], 86400), 60);
            $places = $this->busyAt($index, $chosen[$turn]);
            if ($places !== []) {
                $busy[$index] = array_map(fn(int $place): string => $this->people[$place]->id, $places);
            }
        }

        return new FoundRota(array_map(fn(int $at): int => $this->clock[$at], $chosen), $turns, $shifts, $burden, $busy, $weighed);
    }
}
