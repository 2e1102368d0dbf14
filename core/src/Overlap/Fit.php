<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

/** A time of day that suits the series, found by the search. */
final readonly class Fit
{
    /**
     * @param  string  $clock  time of day on the anchor's clock, "13:15"
     * @param  int  $at  minutes from the top of the axis of all dates
     * @param  int  $dayShift  -1, 0 or 1: the dates move to the day before or after
     * @param  int  $clashDates  dates on which somebody required is busy
     * @param  int  $offHours  how often somebody required sits outside their hours, over all dates
     */
    public function __construct(public string $clock, public int $at, public int $dayShift, public int $clashDates, public int $offHours, public int $dates) {}
}
