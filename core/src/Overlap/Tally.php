<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

/** Counts over numbered things, range by range: the cost of a range does not depend on its length. */
final class Tally
{
    /** @var array<int, int> */
    private array $changes;

    public function __construct(private readonly int $count)
    {
        $this->changes = array_fill(0, $count + 1, 0);
    }

    /** @param list<int> $ranges first and last by turns, both included */
    public function add(array $ranges, int $by = 1): void
    {
        for ($at = 0; isset($ranges[$at]); $at += 2) {
            $this->changes[$ranges[$at]] += $by;
            $this->changes[$ranges[$at + 1] + 1] -= $by;
        }
    }

    /** @return list<int> by number */
    public function values(): array
    {
        $values = [];
        $sum = 0;
        for ($number = 0; $number < $this->count; $number++) {
            $values[] = $sum += $this->changes[$number];
        }

        return $values;
    }
}
