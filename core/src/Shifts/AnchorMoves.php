<?php

declare(strict_types=1);

namespace Syndex\Core\Shifts;

/** For how many people local time would move at all, if a series kept the wall clock of a zone. */
final readonly class AnchorMoves
{
    public function __construct(public string $zoneId, public int $people) {}
}
