<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

/** A single change that would open times that hold on every date. */
final readonly class Opening
{
    /**
     * @param  int  $times  so many starts would hold
     * @param  ?string  $without  if this person were not required
     * @param  ?int  $minutes  if it lasted so long
     */
    public function __construct(public int $times, public ?string $without = null, public ?int $minutes = null) {}
}
