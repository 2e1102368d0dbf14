<?php

declare(strict_types=1);

namespace Syndex\Core\Shifts;

use Syndex\Core\Time\WorkingHours;
use Syndex\Core\Time\Zone;

/** A person whose clock reads the dates of a series. */
final readonly class PersonClock
{
    public function __construct(public string $id, public Zone $zone, public WorkingHours $hours) {}
}
