<?php

declare(strict_types=1);

namespace Syndex\Core\Shifts;

/** What it would mean if a series kept the wall clock of a zone: sums over all people. */
final readonly class Anchor
{
    /**
     * @param int $changes how often somebody's local time moves
     * @param int $outside how often somebody sits outside their hours
     */
    public function __construct(public string $zoneId, public int $changes, public int $outside) {}
}
