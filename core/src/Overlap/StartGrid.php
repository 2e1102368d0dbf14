<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

use Syndex\Core\Time\Interval;
use Syndex\Core\Time\PackedStretches;
use Syndex\Core\Time\Zone;

/**
 * Starts of one date that are looked at: so many, numbered, evenly apart on a clock.
 *
 * Where the clock changes they are not evenly apart in fact, so they are kept as runs that are.
 */
final readonly class StartGrid
{
    private int $earliest;

    private int $latest;

    /**
     * @param  non-empty-list<int>  $starts  moments, by number
     * @param  list<array{int, int}>  $runs  first and last number of each run of starts that are evenly apart
     */
    private function __construct(public array $starts, private array $runs, private int $step)
    {
        $this->earliest = min($starts);
        $this->latest = max($starts);
    }

    /**
     * @param  int  $wall  what the clock shows at the first
     * @param  int  $step  seconds from one to the next
     * @param  positive-int  $count
     */
    public static function of(Zone $zone, int $wall, int $step, int $count): self
    {
        [$starts] = $zone->toUtcAll(range($wall, $wall + ($count - 1) * $step, $step));
        if ($starts[$count - 1] - $starts[0] === ($count - 1) * $step && $zone->changesBetween($starts[0], $starts[$count - 1]) === []) {
            return new self($starts, [[0, $count - 1]], $step);
        }
        $runs = [];
        $first = 0;
        for ($number = 1; $number <= $count; $number++) {
            if ($number === $count || $starts[$number] - $starts[$number - 1] !== $step) {
                $runs[] = [$first, $number - 1];
                $first = $number;
            }
        }

        return new self($starts, $runs, $step);
    }

    /** From the first start to the end of whatever begins last, and so much at either side. */
    public function reach(int $seconds, int $margin = 0): Interval
    {
        return Interval::between($this->earliest - $margin, $this->latest + $seconds + $margin);
    }

    /**
     * Numbers of the slots that overlap any of these stretches; touching is free. Each number at most once.
     *
     * @param  list<Interval>  $stretches  in order
     * @return list<array{int, int}> ranges, first and last
     */
    public function touching(array $stretches, int $seconds): array
    {
        return $this->ranges($stretches, $seconds, true);
    }

    /**
     * Counts one at each slot that overlaps any of these stretches, as {@see touching} finds them: for thousands of people, of whom
     * nothing but their number is asked.
     *
     * @param  list<int>  $pairs  starts and ends by turns, in order, none touching another
     */
    public function countTouching(array $pairs, int $seconds, Tally $tally): void
    {
        foreach ($this->runs as [$runFirst, $runLast]) {
            $begin = $this->starts[$runFirst];
            $end = $this->starts[$runLast] + $seconds;
            $next = $runFirst;
            $up = $this->step - 1 - $begin;
            for ($at = PackedStretches::firstEndingAfter($pairs, $begin); isset($pairs[$at]) && $pairs[$at] < $end; $at += 2) {
                $first = $runFirst + self::steps($pairs[$at] - $seconds + 1 + $up, $this->step);
                $first = $first < $next ? $next : $first;
                $last = $runFirst + self::steps($pairs[$at + 1] + $up, $this->step) - 1;
                $last = $last > $runLast ? $runLast : $last;
                if ($first <= $last) {
                    $tally->addRange($first, $last);
                    $next = $last + 1;
                }
            }
        }
    }

    /**
     * Numbers of the slots that lie within one of these stretches. Each number at most once.
     *
     * @param  list<Interval>  $stretches  in order
     * @return list<array{int, int}>
     */
    public function within(array $stretches, int $seconds): array
    {
        return $this->ranges($stretches, $seconds, false);
    }

    /**
     * @param  list<Interval>  $stretches
     * @return list<array{int, int}>
     */
    private function ranges(array $stretches, int $seconds, bool $isTouching): array
    {
        $ranges = [];
        foreach ($this->runs as [$runFirst, $runLast]) {
            $next = $runFirst;
            // Whole steps from the first of the run, rounded up by adding one less than a step.
            $up = $this->step - 1 - $this->starts[$runFirst];
            foreach ($stretches as $stretch) {
                [$from, $until] = $isTouching ? [$stretch->start - $seconds + 1, $stretch->end] : [$stretch->start, $stretch->end - $seconds + 1];
                $first = max($next, $runFirst + self::steps($from + $up, $this->step));
                $last = min($runLast, $runFirst + self::steps($until + $up, $this->step) - 1);
                if ($first <= $last) {
                    $ranges[] = [$first, $last];
                    $next = $last + 1;
                }
            }
        }

        return $ranges;
    }

    private static function steps(int $seconds, int $step): int
    {
        return $seconds >= 0 ? intdiv($seconds, $step) : -intdiv($step - 1 - $seconds, $step);
    }
}
