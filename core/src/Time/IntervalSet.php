<?php

declare(strict_types=1);

namespace Syndex\Core\Time;

/** Stretches of time in order, none touching another: what overlaps or touches counts as one. */
final readonly class IntervalSet
{
    /** @param list<Interval> $intervals */
    private function __construct(public array $intervals) {}

    /** @param list<Interval> $intervals in any order, overlapping or not */
    public static function of(array $intervals): self
    {
        if (!self::isSorted($intervals)) {
            usort($intervals, static fn(Interval $a, Interval $b): int => $a->start <=> $b->start);
        }
        $merged = [];
        $last = null;
        foreach ($intervals as $interval) {
            if ($last === null || $interval->start > $last->end) {
                $merged[] = $last = $interval;
            } elseif ($interval->end > $last->end) {
                $merged[count($merged) - 1] = $last = Interval::between($last->start, $interval->end);
            }
        }

        return new self($merged);
    }

    public function overlaps(Interval $interval): bool
    {
        $next = $this->intervals[$this->firstEndingAfter($interval->start)] ?? null;

        return $next !== null && $next->start < $interval->end;
    }

    /** Whether the whole stretch lies inside one of the set's. */
    public function covers(Interval $interval): bool
    {
        $next = $this->intervals[$this->firstEndingAfter($interval->start)] ?? null;

        return $next !== null && $next->start <= $interval->start && $interval->end <= $next->end;
    }

    /** What of a stretch the set leaves free. */
    public function gapsIn(Interval $window): self
    {
        $gaps = [];
        $at = $window->start;
        foreach ($this->intervals as $own) {
            if ($own->end <= $at) {
                continue;
            }
            if ($own->start >= $window->end) {
                break;
            }
            if ($own->start > $at) {
                $gaps[] = Interval::between($at, $own->start);
            }
            $at = $own->end;
        }
        if ($at < $window->end) {
            $gaps[] = Interval::between($at, $window->end);
        }

        return new self($gaps);
    }

    /** @return list<Interval> those that overlap a stretch, whole */
    public function overlapping(Interval $stretch): array
    {
        $first = $next = $this->firstEndingAfter($stretch->start);
        while (isset($this->intervals[$next]) && $this->intervals[$next]->start < $stretch->end) {
            $next++;
        }

        return $first === $next ? [] : array_slice($this->intervals, $first, $next - $first);
    }

    public function clippedTo(Interval $window): self
    {
        $parts = [];
        $count = count($this->intervals);
        for ($i = $this->firstEndingAfter($window->start); $i < $count && $this->intervals[$i]->start < $window->end; $i++) {
            $own = $this->intervals[$i];
            $parts[] = $own->start >= $window->start && $own->end <= $window->end
                ? $own
                : Interval::between(max($own->start, $window->start), min($own->end, $window->end));
        }

        return new self($parts);
    }

    /** Every stretch made longer at both ends. */
    public function widenedBy(int $seconds): self
    {
        return self::of(array_map(static fn(Interval $i): Interval => Interval::between($i->start - $seconds, $i->end + $seconds), $this->intervals));
    }

    public function isEmpty(): bool
    {
        return $this->intervals === [];
    }

    /** Index of the first stretch that ends after a moment, found by bisection. */
    private function firstEndingAfter(int $moment): int
    {
        $low = 0;
        $high = count($this->intervals);
        while ($low < $high) {
            $middle = ($low + $high) >> 1;
            if ($this->intervals[$middle]->end <= $moment) {
                $low = $middle + 1;
            } else {
                $high = $middle;
            }
        }

        return $low;
    }

    /** @param list<Interval> $intervals */
    private static function isSorted(array $intervals): bool
    {
        $before = PHP_INT_MIN;
        foreach ($intervals as $interval) {
            if ($interval->start < $before) {
                return false;
            }
            $before = $interval->start;
        }

        return true;
    }
}
