<?php

declare(strict_types=1);

namespace Syndex\Core;

/**
 * Counts the steps of a computation, and about how much of the memory it holds, and stops it at a bound of each.
 *
 * Counted, never timed, so that the same question always has the same answer.
 */
final class Work
{
    private int $done = 0;

    private int $held = 0;

    private function __construct(private readonly int $most, private readonly int $mostOctets) {}

    /** @param int $octets of memory that what it gathers may take, about */
    public static function atMost(int $steps, int $octets = PHP_INT_MAX): self
    {
        return new self($steps, $octets);
    }

    /** What the answer to one person's question may take, wherever it is computed: a second or so at the very most. */
    public static function usual(): self
    {
        return new self(5_000_000, PHP_INT_MAX);
    }

    /** @throws TooMuchWork if the bound is passed */
    public function hold(int $octets): void
    {
        $this->held += $octets;
        if ($this->held > $this->mostOctets) {
            throw TooMuchWork::held($this->mostOctets);
        }
    }

    /** What was held has been let go. */
    public function release(int $octets): void
    {
        $this->held -= $octets;
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
