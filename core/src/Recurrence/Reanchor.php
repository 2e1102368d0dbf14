<?php

declare(strict_types=1);

namespace Syndex\Core\Recurrence;

use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\Zone;

/** Gives a series another anchor zone: its first date stays at its moment, from there on the other clock counts. */
final class Reanchor
{
    public static function to(Series $series, Zone $zone): Series
    {
        if ($series->zone === null || $series->allDay) {
            return $series;
        }
        $wall = $zone->toWall($series->moment($series->start->seconds));

        return MoveSeries::by($series, Gregorian::floorDiv($wall - $series->start->seconds, 60), $zone)->series;
    }
}
