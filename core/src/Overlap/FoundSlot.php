<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

/** A time that suits all who are required, and what it costs whom. */
final readonly class FoundSlot
{
    /**
     * @param  list<string>  $requiredOff  required people of whom a part of it lies outside their hours
     * @param  list<string>  $optionalBusy  optional people who have something else
     * @param  int  $offMinutes  outside hours, summed over everybody, rounded down
     */
    public function __construct(public int $start, public int $end, public array $requiredOff, public array $optionalBusy, public int $offMinutes) {}
}
