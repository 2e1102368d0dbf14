<?php

declare(strict_types=1);

namespace App\Planning;

use Syndex\Core\Recurrence\RuleParser;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\ZoneData;

/** Brings a stored meeting's dates into the core's form. */
final readonly class MeetingSeries
{
    public function __construct(private ZoneData $zones) {}

    public function of(Meeting $meeting): Series
    {
        $start = WallTime::parse($meeting->starts_local->format('Y-m-d\TH:i:s'));
        $rule = $meeting->rrule === null ? null : RuleParser::parse($meeting->rrule);
        $extra = array_map(WallTime::parse(...), $meeting->extra_local);
        $dropped = array_map(WallTime::parse(...), $meeting->dropped_local);

        return $meeting->all_day
            ? Series::allDay($start, $rule, $extra, $dropped)
            : Series::timed($start, $this->zones->zone($meeting->zone), $rule, $extra, $dropped);
    }
}
