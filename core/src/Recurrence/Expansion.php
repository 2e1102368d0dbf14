<?php

declare(strict_types=1);

namespace Syndex\Core\Recurrence;

/** Dates of a series within a window, in order. */
final readonly class Expansion
{
    /**
     * @param  list<int>  $starts  moments in UTC seconds (floating and all-day series: their wall times as if UTC)
     * @param  list<int>  $walls  the wall time of each by the rule, which a skipped hour makes differ from the clock's
     * @param  bool  $complete  false if a limit cut the list short
     */
    public function __construct(public array $starts, public array $walls, public bool $complete) {}

    public function count(): int
    {
        return count($this->starts);
    }
}
