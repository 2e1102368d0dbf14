<?php

declare(strict_types=1);

namespace Syndex\Core\Time;

/**
 * What a zone's clock was known to show over a stretch of time, written down so that it can be held against later zone data.
 *
 * Plain numbers: moments of change and the offsets from them on.
 */
final readonly class KeptClock
{
    /** @param non-empty-list<array{int, int}> $offsets moment (the first: the begin), seconds east of UTC from there on */
    private function __construct(public array $offsets) {}

    /** @param int $to past it the last offset stands */
    public static function of(Zone $zone, int $from, int $to): self
    {
        $offsets = [[$from, $zone->offsetAt($from)]];
        foreach ($zone->changesBetween($from + 1, $to) as $change) {
            if ($change['after'] !== $offsets[count($offsets) - 1][1]) {
                $offsets[] = [$change['at'], $change['after']];
            }
        }

        return new self($offsets);
    }

    /** @param non-empty-list<array{int, int}> $offsets as {@see $offsets} */
    public static function again(array $offsets): self
    {
        return new self($offsets);
    }

    public function offsetAt(int $utc): int
    {
        foreach (array_reverse($this->offsets) as [$at, $offset]) {
            if ($at <= $utc) {
                return $offset;
            }
        }

        return $this->offsets[0][1];
    }

    /** Whether another clock shows something else at any moment of [$from, $to). */
    public function differsFrom(self $other, int $from, int $to): bool
    {
        foreach ([$from, ...array_column($this->offsets, 0), ...array_column($other->offsets, 0)] as $at) {
            if ($at >= $from && $at < $to && $this->offsetAt($at) !== $other->offsetAt($at)) {
                return true;
            }
        }

        return false;
    }
}
