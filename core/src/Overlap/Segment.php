<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

/** A stretch of a drawn axis, in minutes from its top. */
final readonly class Segment
{
    public function __construct(public int $from, public int $to, public string $tone, public string $label = '', public int $count = 0) {}
}
