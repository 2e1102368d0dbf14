<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

/** How often something holds for a person, over all dates. */
final readonly class Times
{
    public function __construct(public string $id, public int $dates) {}
}
