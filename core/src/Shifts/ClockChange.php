<?php

declare(strict_types=1);

namespace Syndex\Core\Shifts;

/** A date whose local time of day differs from the date before. */
final readonly class ClockChange
{
    /**
     * @param int $at index of the date
     * @param string $was "12:30"
     * @param string $now "13:30"
     */
    public function __construct(public int $at, public string $was, public string $now) {}
}
