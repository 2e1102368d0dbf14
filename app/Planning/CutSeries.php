<?php

declare(strict_types=1);

namespace App\Planning;

use Syndex\Core\Time\WallTime;

/** A series that is changed from one of its dates on: what stays as it was, and what was after it. */
final readonly class CutSeries
{
    /**
     * @param  WallTime  $from  the first date that is changed, on the clock of the series as it was
     * @param  Meeting  $earlier  the meeting with what stays
     * @param  Meeting  $wasLater  the meeting with what was to come
     * @param  Meeting  $later  the sheet with what comes instead
     */
    public function __construct(public WallTime $from, public Meeting $earlier, public Meeting $wasLater, public Meeting $later) {}
}
