<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

/** A point on a drawn axis, in minutes from its top, with what is written there. */
final readonly class Mark
{
    public function __construct(public int $at, public string $label) {}
}
