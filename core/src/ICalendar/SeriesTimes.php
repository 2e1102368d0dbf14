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
        $timeOf = static fn(WallTime $wall): CalendarTime => self::wall($series, $wall);

        return new self($timeOf($series->start), self::end($series, $series->start, $durationMinutes), $series->ruleText(), array_map($timeOf, $series->extra), array_map($timeOf, $series->dropped));
    }

    /** A wall time of a series in the form of its start. */
    public static function wall(Series $series, WallTime $wall): CalendarTime
    {
        return match (true) {
            $series->allDay => CalendarTime::date($wall->seconds),
            $series->zone === null => CalendarTime::floating($wall->seconds),
            default => CalendarTime::zonedWall($wall->seconds, $series->zone),
        };
    }

    /** When a date of a series ends: so many minutes later, whatever its clock does meanwhile. */
    public static function end(Series $series, WallTime $start, int $durationMinutes): CalendarTime
    {
        return $series->zone === null
            ? self::wall($series, $start->plusSeconds($durationMinutes * 60))
            : CalendarTime::zoned($series->moment($start->seconds) + $durationMinutes * 60, $series->zone);
    }
}
