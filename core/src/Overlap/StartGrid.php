<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

use Syndex\Core\Time\BareStretches;
use Syndex\Core\Time\Interval;
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

    /**
     * @param  int  $from  the first start, a moment
     * @param  int  $step  seconds from one to the next
     * @param  positive-int  $count
     */
    public static function even(int $from, int $step, int $count): self
    {
        // A step may be as long as the window and far longer.
        return new self($count === 1 ? [$from] : range($from, $from + ($count - 1) * $step, $step), [[0, $count - 1]], $step);
    }

    /** From the first start to the end of whatever begins last, and so much at either side. */
    public function reach(int $seconds, int $margin = 0): Interval
    {
        return Interval::between($this->earliest - $margin, $this->latest + $seconds + $margin);
    }

    /**
     * Numbers of the slots that overlap any of these stretches; touching is free. Each number at most once.
     *
     * @param  list<int>  $pairs  {@see BareStretches}
     * @return list<int> ranges: first and last by turns
     */
    public function touching(array $pairs, int $seconds): array
    {
        return $this->ranges($pairs, 1 - $seconds, 0);
    }

    /**
     * Numbers of the slots that lie within one of these stretches. Each number at most once.
     *
     * @param  list<int>  $pairs  {@see BareStretches}
     * @return list<int> ranges: first and last by turns
     */
    public function within(array $pairs, int $seconds): array
    {
        return $this->ranges($pairs, 0, 1 - $seconds);
    }

    /**
     * @param  list<int>  $pairs
     * @param  int  $before  added to the start of a stretch it gives the first moment at which a slot of the range can start
     * @param  int  $after  added to its end, the first at which none can any more
     * @return list<int>
     */
    private function ranges(array $pairs, int $before, int $after): array
    {
        $ranges = [];
        foreach ($this->runs as [$runFirst, $runLast]) {
            $begin = $this->starts[$runFirst];
            $end = $this->starts[$runLast] - $before;
            $next = $runFirst;
            // Whole steps from the first of the run, rounded up by adding one less than a step.
            $up = $this->step - 1 - $begin;
            for ($at = BareStretches::firstEndingAfter($pairs, $begin - $after); isset($pairs[$at]) && $pairs[$at] <= $end; $at += 2) {
                $first = $runFirst + self::steps($pairs[$at] + $before + $up, $this->step);
                $first = $first < $next ? $next : $first;
                $last = $runFirst + self::steps($pairs[$at + 1] + $after + $up, $this->step) - 1;
                $last = $last > $runLast ? $runLast : $last;
                if ($first <= $last) {
                    $ranges[] = $first;
                    $ranges[] = $last;
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
