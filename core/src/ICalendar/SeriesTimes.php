<?php

declare(strict_types=1);

namespace Syndex\Core\ICalendar;

use Syndex\Core\Recurrence\Series;
use Syndex\Core\Time\WallTime;

/** The times of a series in the forms that an entry gives them. */
final readonly class SeriesTimes
{
    /**
     * @param  CalendarTime  $end  exclusive
     * @param  ?string  $rule  text of an RRULE
     * @param  list<CalendarTime>  $extra
     * @param  list<CalendarTime>  $dropped
     */
    private function __construct(public CalendarTime $start, public CalendarTime $end, public ?string $rule, public array $extra, public array $dropped) {}

    /** @param int $durationMinutes of an all-day series a multiple of 1440 */
    public static function of(Series $series, int $durationMinutes): self
    {
        $timeOf = static fn(WallTime $wall): CalendarTime => match (true) {
            $series->allDay => CalendarTime::date($wall->seconds),
            $series->zone === null => CalendarTime::floating($wall->seconds),
            default => CalendarTime::zonedWall($wall->seconds, $series->zone),
        };
        $end = $series->zone === null
            ? $timeOf($series->start->plusSeconds($durationMinutes * 60))
            : CalendarTime::zoned($series->moment($series->start->seconds) + $durationMinutes * 60, $series->zone);

        return new self($timeOf($series->start), $end, $series->ruleText(), array_map($timeOf, $series->extra), array_map($timeOf, $series->dropped));
    }
}
