<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

use Syndex\Core\TooMuchWork;

/**
 * Looks for the turns of a few times over many dates that share what they cost.
 *
 * First the worst off: everybody's nights, sorted from the largest down, are least, then what lies outside hours likewise; of
 * equals, two dates of one time lie as far apart as can be; of equals, the turns are least from the first date on.
 *
 * What turns cost depends only on how often each time is taken on dates that cost alike. So first the best of these counts are
 * sought, and then the best turns that have them. Both searches leave a way as soon as it cannot become the best.
 */
final class RotaSearch
{
    /** So many turns there may be at most: they are all weighed, or none. */
    public const MOST_TURNS = 600_000;

    /** @var list<list<int>> places of the dates that cost everybody alike, by class */
    private array $classes;

    /** @var list<int> class of each date */
    private array $classOf;

    /** @var list<array{int, array{array<int, array<int, int>>, array<int, array<int, int>>}}> people who are hit alike: how many, and nights and outside by class and time */
    private array $crowd;

    /** @var array<int, array<int, array<int, int>>> the least that each of the crowd can still get from a class on, by kind (nights, outside) */
    private array $least;

    private ?string $best = null;

    /** @var array<string, true> counts of the best */
    private array $bestCounts = [];

    private int $bestApart = -1;

    /** @var list<int> */
    private array $bestTurns = [];

    /** @var array<int, array<int, int>> the most of each time that the best counts have, by class */
    private array $ceiling = [];

    /**
     * @param  int  $times  how many there are to choose from
     * @param  list<array<int, array<int, array{int, int}>>>  $costs  of each person: by date and time, whether it is night, whether it is outside
     * @param  array<int, array<int, bool>>  $barred  by date and time, what must not be taken; never all times of a date
     *
     * @throws TooMuchWork if there are more turns than can be weighed
     */
    public function __construct(private readonly int $dates, private readonly int $times, array $costs, private readonly array $barred = [])
    {
        for ($turns = 1, $date = 0; $times > 1 && $date < $dates; $date++) {
            $turns *= $times;
            if ($turns > self::MOST_TURNS) {
                throw TooMuchWork::past(self::MOST_TURNS);
            }
        }
        $this->classes = $this->classOf = $this->crowd = $this->least = [];
        $this->arrange($costs);
    }

    /** @return list<int> for each date the place of its time */
    public function turns(): array
    {
        if ($this->dates === 0 || $this->times === 1) {
            return array_fill(0, $this->dates, 0);
        }
        $none = array_fill(0, count($this->crowd), 0);
        $this->count(0, 0, count($this->classes[0]), [], $none, $none);
        foreach (array_keys($this->bestCounts) as $key) {
            foreach (explode(' ', $key) as $at => $count) {
                [$class, $time] = [intdiv($at, $this->times), $at % $this->times];
                $this->ceiling[$class][$time] = max($this->ceiling[$class][$time] ?? 0, (int) $count);
            }
        }
        $this->place(0, [], array_fill(0, $this->times, -1), array_fill(0, count($this->classes) * $this->times, 0), PHP_INT_MAX);

        return $this->bestTurns;
    }

    /** @param list<array<int, array<int, array{int, int}>>> $costs */
    private function arrange(array $costs): void
    {
        $byClass = [];
        for ($date = 0; $date < $this->dates; $date++) {
            $key = implode(',', array_keys(array_filter($this->barred[$date] ?? []))) . ';';
            foreach ($costs as $person) {
                foreach ($person[$date] as [$night, $outside]) {
                    $key .= $night . $outside;
                }
            }
            $byClass[$key][] = $date;
            $this->classOf[] = (int) array_search($key, array_map(strval(...), array_keys($byClass)), true);
        }
        $this->classes = array_values($byClass);
        $crowd = [];
        foreach ($costs as $person) {
            $nights = $outside = [];
            foreach ($this->classes as [$date]) {
                $nights[] = array_column($person[$date], 0);
                $outside[] = array_column($person[$date], 1);
            }
            $key = json_encode([$nights, $outside]);
            $crowd[$key] ??= [0, [$nights, $outside]];
            $crowd[$key][0]++;
        }
        $this->crowd = array_values($crowd);
        for ($class = count($this->classes); $class >= 0; $class--) {
            foreach ($this->crowd as $at => [, $costsOf]) {
                foreach ($costsOf as $kind => $of) {
                    $this->least[$kind][$class][$at] = $class === count($this->classes) ? 0 : $this->least[$kind][$class + 1][$at] + count($this->classes[$class]) * min($this->open($class, $of[$class]) ?: [0]);
                }
            }
        }
    }

    /**
     * Tries how often each time is taken, class by class and time by time.
     *
     * @param  int  $left  dates of this class that have no time yet
     * @param  list<int>  $counts  so far, class after class
     * @param  array<int, int>  $nights  so far, of each of the crowd
     * @param  array<int, int>  $outside
     */
    private function count(int $class, int $time, int $left, array $counts, array $nights, array $outside): void
    {
        if ($class === count($this->classes)) {
            $this->weigh($counts, $this->key($nights, $outside));

            return;
        }
        $isLast = $time === $this->times - 1;
        $isBarred = $this->isBarred($class, $time);
        for ($count = $isLast ? $left : 0; $count <= ($isBarred ? 0 : $left); $count++) {
            $thenNights = $nights;
            $thenOutside = $outside;
            if ($count > 0) {
                foreach ($this->crowd as $at => [, [$ofNights, $ofOutside]]) {
                    $thenNights[$at] += $count * $ofNights[$class][$time];
                    $thenOutside[$at] += $count * $ofOutside[$class][$time];
                }
            }
            [$nextClass, $nextTime] = $isLast ? [$class + 1, 0] : [$class, $time + 1];
            // What is sure to come of it at the very least is worse already.
            $rest = $isLast ? 0 : $left - $count;
            if ($this->best !== null && $this->key($this->atLeast(0, $class, $rest, $nextTime, $thenNights), $this->atLeast(1, $class, $rest, $nextTime, $thenOutside)) > $this->best) {
                continue;
            }
            $this->count($nextClass, $nextTime, $isLast ? (isset($this->classes[$nextClass]) ? count($this->classes[$nextClass]) : 0) : $left - $count, [...$counts, $count], $thenNights, $thenOutside);
        }
    }

    /**
     * @param  int  $kind  0: nights, 1: outside
     * @param  int  $left  dates of this class that have no time yet
     * @param  int  $time  from which on times can still be taken in this class
     * @param  array<int, int>  $sums
     * @return array<int, int> what each has at the end at the very least
     */
    private function atLeast(int $kind, int $class, int $left, int $time, array $sums): array
    {
        foreach ($sums as $at => $sum) {
            $least = $left === 0 ? 0 : PHP_INT_MAX;
            for ($other = $time; $left > 0 && $other < $this->times; $other++) {
                $least = $this->isBarred($class, $other) ? $least : min($least, $this->crowd[$at][1][$kind][$class][$other]);
            }
            // With nothing left to take there is no such way: it is left further on.
            $sums[$at] = $sum + $this->least[$kind][$class + 1][$at] + ($least === PHP_INT_MAX ? 0 : $left * $least);
        }

        return $sums;
    }

    private function isBarred(int $class, int $time): bool
    {
        return $this->barred[$this->classes[$class][0]][$time] ?? false;
    }

    /**
     * @param  array<int, int>  $byTime
     * @return array<int, int> of the times that can be taken
     */
    private function open(int $class, array $byTime): array
    {
        return array_filter($byTime, fn(int $time): bool => !$this->isBarred($class, $time), ARRAY_FILTER_USE_KEY);
    }

    /**
     * Sums that sort as the rule says: how many people have most, then one less, and so on; nights before outside.
     *
     * @param  array<int, int>  $nights
     * @param  array<int, int>  $outside
     */
    private function key(array $nights, array $outside): string
    {
        $key = '';
        foreach ([$nights, $outside] as $sums) {
            $people = array_fill(0, $this->dates + 1, 0);
            foreach ($sums as $at => $sum) {
                $people[$sum] += $this->crowd[$at][0];
            }
            $key .= pack('N*', ...array_reverse($people));
        }

        return $key;
    }

    /** @param list<int> $counts */
    private function weigh(array $counts, string $key): void
    {
        if ($this->best === null || $key < $this->best) {
            $this->best = $key;
            $this->bestCounts = [];
        }
        if ($key === $this->best) {
            $this->bestCounts[implode(' ', $counts)] = true;
        }
    }

    /**
     * Tries the turns themselves, from the first date on and the first time up, so that of equals the first found is the least.
     *
     * @param  list<int>  $turns  so far
     * @param  array<int, int>  $last  the date on which each time was taken last, -1: none
     * @param  array<int, int>  $taken  of each time, class after class
     * @param  int  $apart  the shortest distance so far between two dates of one time
     */
    private function place(int $date, array $turns, array $last, array $taken, int $apart): void
    {
        if ($date === $this->dates) {
            if (isset($this->bestCounts[implode(' ', $taken)])) {
                $this->bestApart = $apart;
                $this->bestTurns = $turns;
            }

            return;
        }
        $class = $this->classOf[$date];
        for ($time = 0; $time < $this->times; $time++) {
            $then = $last[$time] < 0 ? $apart : min($apart, $date - $last[$time]);
            $at = $class * $this->times + $time;
            if ($then > $this->bestApart && $taken[$at] < ($this->ceiling[$class][$time] ?? 0)) {
                $thenLast = $last;
                $thenLast[$time] = $date;
                $thenTaken = $taken;
                $thenTaken[$at]++;
                $this->place($date + 1, [...$turns, $time], $thenLast, $thenTaken, $then);
            }
        }
    }
}
