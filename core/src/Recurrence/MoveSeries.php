<?php

declare(strict_types=1);

namespace Syndex\Core\Recurrence;

use Syndex\Core\Time\WallTime;

/** Moves a whole series on the anchor's clock; when that crosses midnight, the days of its rule move along. */
final class MoveSeries
{
    public static function by(Series $series, int $minutes): Series
    {
        $start = $series->start->plusSeconds($minutes * 60);
        $days = $start->dayNumber() - $series->start->dayNumber();
        $rule = $series->rule === null || $days === 0 ? $series->rule : self::onOtherDays($series->rule, $days);
        $dropped = array_map(static fn(WallTime $w): WallTime => $w->plusSeconds($minutes * 60), $series->dropped);
        $extra = array_map(static fn(WallTime $w): WallTime => $w->plusSeconds($minutes * 60), $series->extra);

        return $series->allDay
            ? Series::allDay(WallTime::parseDate($start->formatDate()), $rule, $extra, $dropped)
            : Series::timed($start, $series->zone, $rule, $extra, $dropped);
    }

    /** "Tuesdays" become "Wednesdays", "the 8th" becomes "the 9th"; "the second Tuesday" becomes "the second Wednesday". */
    private static function onOtherDays(Rule $rule, int $days): Rule
    {
        $picks = array_map(static function (WeekdayPick $pick) use ($days): WeekdayPick {
            $weekday = ($pick->weekday + $days % 7 + 7) % 7;

            return $pick->nth === 0 ? WeekdayPick::every($weekday) : WeekdayPick::nth($pick->nth, $weekday);
        }, $rule->days);
        usort($picks, static fn(WeekdayPick $a, WeekdayPick $b): int => $a->weekday <=> $b->weekday);
        $monthDays = array_map(static fn(int $day): int => match (true) {
            $day === -1 && $days > 0 => $days,
            $day > 0 && $day + $days < 1 => -1,
            $day > 0 => min(31, $day + $days),
            default => $day,
        }, $rule->monthDays);

        return $rule->with(days: $picks, monthDays: $monthDays);
    }
}
