<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

/** One person at one date of the meeting: their clock, how it falls into their day, and what it collides with. */
final readonly class Standing
{
    /**
     * @param  ?string  $local  wall time at the start, "2026-12-09T01:30:00"; null when the place is unknown
     * @param  list<string>  $clashes  labels of what the person has at that time
     */
    public function __construct(public string $id, public bool $required, public ?string $local, public Light $light, public array $clashes) {}
}
