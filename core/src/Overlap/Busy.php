<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

use Syndex\Core\Time\Interval;

/** A stretch in UTC that a person has given away already, and to what. */
final readonly class Busy
{
    public function __construct(public Interval $interval, public BusyKind $kind, public string $label) {}
}
