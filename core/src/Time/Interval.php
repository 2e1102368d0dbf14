<?php

declare(strict_types=1);

namespace Syndex\Core\Time;

/** A stretch of time that includes its start and excludes its end, in seconds of one scale (UTC or one wall clock). */
final readonly class Interval
{
    private function __construct(public int $start, public int $end) {}

    /** @throws InvalidInterval if $end is not after $start */
    public static function between(int $start, int $end): self
    {
        return $end > $start ? new self($start, $end) : throw InvalidInterval::endNotAfterStart($start, $end);
    }

    public static function lasting(int $start, int $minutes): self
    {
        return self::between($start, $start + $minutes * 60);
    }

    public function overlaps(self $other): bool
    {
        return $this->start < $other->end && $other->start < $this->end;
    }

    public function contains(int $moment): bool
    {
        return $moment >= $this->start && $moment < $this->end;
    }

    public function seconds(): int
    {
        return $this->end - $this->start;
    }

    /** The part of this stretch inside another, or none. */
    public function clippedTo(self $other): ?self
    {
        return $this->overlaps($other) ? new self(max($this->start, $other->start), min($this->end, $other->end)) : null;
    }
}
