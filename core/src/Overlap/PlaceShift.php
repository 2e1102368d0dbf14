<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

/** Local time of a place that differs from the date before, since clocks changed there or at the anchor. */
final readonly class PlaceShift
{
    /**
     * @param  string  $was  "12:30"
     * @param  string  $now  "13:30"
     * @param  bool  $byAnchor  whether the anchor's clocks changed rather than this place's
     */
    public function __construct(public string $place, public string $was, public string $now, public int $minutes, public bool $byAnchor) {}
}
