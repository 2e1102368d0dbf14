<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

use Syndex\Core\Time\Interval;

/** Numbered stretches, in any order and overlapping or not, asked which of them another one overlaps: found by bisection. */
final readonly class Spans
{
    /** @var list<int> numbers, by start */
    private array $numbers;

    /** @var list<int> of each, by start, the latest end so far */
    private array $latest;

    /** @param array<int, Interval> $spans by number */
    public function __construct(private array $spans)
    {
        uasort($spans, static fn(Interval $a, Interval $b): int => $a->start <=> $b->start);
        $latest = [];
        $end = PHP_INT_MIN;
        foreach ($spans as $span) {
            $latest[] = $end = max($end, $span->end);
        }
        $this->numbers = array_keys($spans);
        $this->latest = $latest;
    }

    /** @return list<int> numbers of those that overlap it, by start; touching is none */
    public function overlapping(Interval $asked): array
    {
        [$low, $high] = [0, count($this->numbers)];
        while ($low < $high) {
            $middle = ($low + $high) >> 1;
            if ($this->latest[$middle] <= $asked->start) {
                $low = $middle + 1;
            } else {
                $high = $middle;
            }
        }
        $found = [];
        for ($at = $low, $count = count($this->numbers); $at < $count && $this->spans[$this->numbers[$at]]->start < $asked->end; $at++) {
            if ($this->spans[$this->numbers[$at]]->end > $asked->start) {
                $found[] = $this->numbers[$at];
            }
        }

        return $found;
    }
}
