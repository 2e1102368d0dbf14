<?php

declare(strict_types=1);

namespace App\People;

use Syndex\Core\Time\WorkingHours;
use Syndex\Core\Time\Zone;

/** Where and when somebody lives and works. */
final readonly class Life
{
    /**
     * @param  ?string  $home  the zone where they are at home; null: not known
     * @param  ?WorkingHours  $quiet  hours of their own for work without meetings; null: as the house has them
     */
    public function __construct(public PersonKind $kind, public ?string $home, public ?Zone $zone, public WorkingHours $hours, public ?WorkingHours $quiet) {}
}
