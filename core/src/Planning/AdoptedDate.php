<?php

declare(strict_types=1);

namespace Syndex\Core\Planning;

use Syndex\Core\Time\WallTime;

/** What one date of a foreign event has of its own (RFC 5545 3.8.4.4); null: as its series. */
final readonly class AdoptedDate
{
    /**
     * @param  WallTime  $date  as the series names it
     * @param  ?string  $place  empty: none
     */
    public function __construct(public WallTime $date, public ?int $minutes, public ?string $title, public ?string $place) {}
}
