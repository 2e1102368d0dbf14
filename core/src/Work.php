<?php

declare(strict_types=1);

namespace Syndex\Core;

/**
 * Counts the steps of a computation and stops it at a bound.
 *
 * Counted, never timed, so that the same question always has the same answer.
 */
final class Work
{
    private int $done = 0;

    private function __construct(private readonly int $most) {}

    public static function atMost(int $steps): self
    {
        return new self($steps);
    }

    /** @throws TooMuchWork if the bound is passed */
    public function spend(int $steps): void
    {
        $this->done += $steps;
        if ($this->done > $this->most) {
            throw TooMuchWork::past($this->most);
        }
    }

    public function done(): int
    {
        return $this->done;
    }
}
