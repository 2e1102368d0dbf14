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

    /** @param list<array{int, int}> $ranges first and last, both included */
    public function add(array $ranges, int $by = 1): void
    {
        foreach ($ranges as [$first, $last]) {
            $this->changes[$first] += $by;
            $this->changes[$last + 1] -= $by;
        }
    }

    /** One more from the first to the last, both included. */
    public function addRange(int $first, int $last): void
    {
        $this->changes[$first]++;
        $this->changes[$last + 1]--;
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
