<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

use Syndex\Core\TooMuchWork;
use Syndex\Core\Work;

/**
 * Looks for time that people have in common in one window: {@see SeriesSearch} for a single date that need not be planned yet.
 *
 * Both stand on the same parts: starts are numbered ({@see StartGrid}), what somebody has forbids ranges of numbers, which are
 * counted for every start at once ({@see Tally}), people of one clock and the same hours count as one ({@see Crowd}), and whatever is
 * dearer to count is counted only of those that can still come to stand among the first ({@see Shortlist}): hours of everybody last.
 */
final class SlotSearch
{
    /** Steps of work for a busy stretch, and for a candidate. */
    private const A_STRETCH = 3;

    private const A_CANDIDATE = 1;

    private readonly int $count;

    private readonly StartGrid $grid;

    private readonly HoursSweep $sweep;

    /**
     * @param  int  $from  the first start, a moment
     * @param  int  $to  by which the last slot ends
     * @param  int  $seconds  how long a slot is
     * @param  int  $step  seconds from one start to the next
     *
     * @throws TooMuchWork if there are more candidates than one question may have
     */
    public function __construct(int $from, int $to, private readonly int $seconds, int $step, private readonly Work $work)
    {
        $this->count = $to - $seconds < $from ? 0 : intdiv($to - $seconds - $from, $step) + 1;
        $work->spend(self::A_CANDIDATE * $this->count);
        $this->grid = StartGrid::even($from, $step, max(1, $this->count));
        $this->sweep = new HoursSweep($work);
    }

    /**
     * The best, in this order: fewest required people off hours, fewest optional people busy, fewest minutes off hours, earliest.
     * None at which somebody required is busy.
     *
     * @param  list<SearchedPerson>  $people
     * @param  int  $limit  so many at most
     * @return list<FoundSlot>
     */
    public function best(array $people, int $limit): array
    {
        if ($people === [] || $this->count === 0) {
            return [];
        }
        $crowd = Crowd::of($people);
        [$busy, $optionalBusy, $ranges] = $this->busy($people);
        $requiredOff = $this->requiredOff($crowd, array_keys($busy, 0, true));
        $ranks = [];
        foreach (Shortlist::of($requiredOff, $limit) as $number) {
            $ranks[$number] = [$requiredOff[$number], $optionalBusy[$number]];
        }
        $left = Shortlist::of($ranks, $limit);
        $minutes = $this->offMinutes($crowd, $left);
        usort($left, static fn(int $a, int $b): int => [$ranks[$a], $minutes[$a], $a] <=> [$ranks[$b], $minutes[$b], $b]);

        return $this->told($crowd, array_slice($left, 0, $limit), $minutes, $ranges);
    }

    /**
     * @param  list<SearchedPerson>  $people
     * @return array{list<int>, list<int>, array<int, list<int>>} how many required people are busy by number, how many optional ones are, and each optional one's ranges by place in the list
     */
    private function busy(array $people): array
    {
        $required = new Tally($this->count);
        $optional = new Tally($this->count);
        $ranges = [];
        foreach ($people as $place => $person) {
            $this->work->spend(self::A_STRETCH * (count($person->taken) >> 1));
            $touching = $this->grid->touching($person->taken, $this->seconds);
            if ($person->required) {
                $required->add($touching);
            } elseif ($touching !== []) {
                $optional->add($touching);
                $ranges[$place] = $touching;
            }
        }

        return [$required->values(), $optional->values(), $ranges];
    }

    /**
     * @param  Crowd<SearchedPerson>  $crowd
     * @param  list<int>  $numbers  ascending
     * @return array<int, int> how many required people are off hours, by number
     */
    private function requiredOff(Crowd $crowd, array $numbers): array
    {
        $off = array_fill_keys($numbers, 0);
        $starts = $this->starts($numbers);
        foreach ($crowd->required() as $group => $required) {
            foreach ($required === 0 ? [] : $this->outside($crowd, $group, $starts) as $at => $outside) {
                $off[$numbers[$at]] += $outside > 0 ? $required : 0;
            }
        }

        return $off;
    }

    /**
     * @param  Crowd<SearchedPerson>  $crowd
     * @param  list<int>  $numbers  ascending
     * @return array<int, int> by number
     */
    private function offMinutes(Crowd $crowd, array $numbers): array
    {
        $seconds = array_fill(0, count($numbers), 0);
        $starts = $this->starts($numbers);
        foreach ($crowd->sizes() as $group => $people) {
            foreach ($this->outside($crowd, $group, $starts) as $at => $outside) {
                $seconds[$at] += $outside * $people;
            }
        }

        return array_combine($numbers, array_map(static fn(int $s): int => intdiv($s, 60), $seconds));
    }

    /**
     * @param  Crowd<SearchedPerson>  $crowd
     * @param  list<int>  $chosen  best first
     * @param  array<int, int>  $minutes
     * @param  array<int, list<int>>  $ranges
     * @return list<FoundSlot>
     */
    private function told(Crowd $crowd, array $chosen, array $minutes, array $ranges): array
    {
        $ascending = $chosen;
        sort($ascending);
        $starts = $this->starts($ascending);
        $off = $busy = array_fill_keys($chosen, []);
        $outside = array_map(fn(int $required, int $group): array => $required === 0 ? [] : $this->outside($crowd, $group, $starts), $crowd->required(), array_keys($crowd->examples));
        foreach ($crowd->people as $place => $person) {
            foreach ($person->required ? $outside[$crowd->groupOf[$place]] : [] as $at => $seconds) {
                if ($seconds > 0) {
                    $off[$ascending[$at]][] = $person->id;
                }
            }
            foreach (self::among($ascending, $ranges[$place] ?? []) as $number) {
                $busy[$number][] = $person->id;
            }
        }

        return array_map(fn(int $number): FoundSlot => new FoundSlot($this->grid->starts[$number], $this->grid->starts[$number] + $this->seconds, $off[$number], $busy[$number], $minutes[$number]), $chosen);
    }

    /**
     * @param  list<int>  $ascending
     * @param  list<int>  $ranges  first and last by turns
     * @return list<int> those that lie in one of the ranges
     */
    private static function among(array $ascending, array $ranges): array
    {
        $found = [];
        for ($at = 0; isset($ranges[$at]); $at += 2) {
            for ($place = self::place($ascending, $ranges[$at]); isset($ascending[$place]) && $ascending[$place] <= $ranges[$at + 1]; $place++) {
                $found[] = $ascending[$place];
            }
        }

        return $found;
    }

    /**
     * @param  list<int>  $ascending
     * @return int place of the first that is not below a value
     */
    private static function place(array $ascending, int $value): int
    {
        [$low, $high] = [0, count($ascending)];
        while ($low < $high) {
            $middle = ($low + $high) >> 1;
            if ($ascending[$middle] < $value) {
                $low = $middle + 1;
            } else {
                $high = $middle;
            }
        }

        return $low;
    }

    /**
     * @param  Crowd<SearchedPerson>  $crowd
     * @param  list<int>  $starts  ascending
     * @return list<int> seconds outside the hours of a group, a number for each slot
     */
    private function outside(Crowd $crowd, int $group, array $starts): array
    {
        return $this->sweep->outside($crowd->examples[$group]->hours, $crowd->examples[$group]->zone, $starts, $this->seconds);
    }

    /**
     * @param  list<int>  $numbers
     * @return list<int>
     */
    private function starts(array $numbers): array
    {
        return array_map(fn(int $number): int => $this->grid->starts[$number], $numbers);
    }
}
