<?php

declare(strict_types=1);

namespace Syndex\Core\ICalendar;

use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\Zone;

/**
 * Writes a zone as VTIMEZONE (RFC 5545 3.6.5), right for every moment of a window.
 *
 * Changes that come by one yearly rule still in force are written as that rule, the rest as dated observances.
 */
final class TimezoneWriter
{
    /** Far enough to tell a yearly rule from a run of coincidences. */
    private const LOOK_AHEAD_YEARS = 12;

    /** Without an end, dated changes are written for so many years. */
    private const OPEN_YEARS = 40;

    /** @param ?int $to no moment from here on matters; null: the window is open */
    public static function write(Zone $zone, int $from, ?int $to): string
    {
        $year = 366 * 86400;
        $end = $to ?? $from + self::OPEN_YEARS * $year;
        $earlier = $zone->changesBetween(PHP_INT_MIN, $from + 1);
        $first = $earlier === [] ? null : $earlier[count($earlier) - 1];
        $changes = $zone->changesBetween($first === null ? PHP_INT_MIN : $first['at'], $end + self::LOOK_AHEAD_YEARS * $year);

        $lines = ContentLine::of('BEGIN', 'VTIMEZONE') . ContentLine::of('TZID', $zone->id);
        if ($first === null) {
            $now = $zone->nameAt($from);
            $lines .= self::observance($now['dst'], self::wall(min(0, $from + $now['offset'] - 86400)), $now['offset'], $now['offset'], $now['name']);
        }
        foreach (self::runs($changes) as $run) {
            // A year more than needed, so that a reader who looks past the end is not told of half a rule.
            if ($run['changes'][0]['at'] < $end + $year) {
                $lines .= self::run($run, $end);
            }
        }

        return $lines . ContentLine::of('END', 'VTIMEZONE');
    }

    /**
     * Splits the changes into runs that one yearly rule explains.
     *
     * @param  list<array{at: int, before: int, after: int, dst: bool, name: string}>  $changes
     * @return list<array{changes: non-empty-list<array{at: int, before: int, after: int, dst: bool, name: string}>, rules: list<string>}>
     */
    private static function runs(array $changes): array
    {
        $open = $done = [];
        foreach ($changes as $change) {
            $kind = implode(' ', [$change['before'], $change['after'], (int) $change['dst'], $change['name']]);
            $rules = self::rulesFor($change);
            $run = $open[$kind] ?? null;
            if ($run !== null) {
                $last = $run['changes'][count($run['changes']) - 1];
                $both = array_values(array_intersect($run['rules'], $rules));
                if ($both !== [] && self::yearOf($change) === self::yearOf($last) + 1) {
                    $open[$kind] = ['changes' => [...$run['changes'], $change], 'rules' => $both];

                    continue;
                }
                $done[] = $run;
            }
            $open[$kind] = ['changes' => [$change], 'rules' => $rules];
        }
        $runs = [...$done, ...array_values($open)];
        usort($runs, static fn(array $a, array $b): int => $a['changes'][0]['at'] <=> $b['changes'][0]['at']);

        return $runs;
    }

    /**
     * Every yearly rule that would produce this change, the plainest first.
     *
     * @param  array{at: int, before: int, after: int, dst: bool, name: string}  $change
     * @return list<string> each with the time of day, so that equal texts mean equal rules
     */
    private static function rulesFor(array $change): array
    {
        $wall = WallTime::ofSeconds($change['at'] + $change['before']);
        [$year, $month, $day] = Gregorian::civil($wall->dayNumber());
        $weekday = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'][Gregorian::weekday($wall->dayNumber())];
        $length = Gregorian::daysInMonth($year, $month);
        $at = ' ' . $wall->secondOfDay();
        $rules = [];
        if ($day + 7 > $length) {
            $rules[] = "FREQ=YEARLY;BYMONTH=$month;BYDAY=-1$weekday$at";
        }
        $rules[] = sprintf('FREQ=YEARLY;BYMONTH=%d;BYDAY=%d%s%s', $month, intdiv($day - 1, 7) + 1, $weekday, $at);
        for ($from = max(1, $day - 6); $from <= $day && $from + 6 <= $length; $from++) {
            $rules[] = "FREQ=YEARLY;BYMONTH=$month;BYMONTHDAY=" . implode(',', range($from, $from + 6)) . ";BYDAY=$weekday$at";
        }
        $rules[] = "FREQ=YEARLY;BYMONTH=$month;BYMONTHDAY=$day$at";

        return $rules;
    }

    /** @param array{changes: non-empty-list<array{at: int, before: int, after: int, dst: bool, name: string}>, rules: list<string>} $run */
    private static function run(array $run, int $end): string
    {
        $first = $run['changes'][0];
        $last = $run['changes'][count($run['changes']) - 1];
        if ($last['at'] < $end) {
            // What is over is dated, each change by itself: some readers take UNTIL, which is in UTC, for local time.
            return implode('', array_map(static fn(array $c): string => self::observance($c['dst'], self::wall($c['at'] + $c['before']), $c['before'], $c['after'], $c['name']), $run['changes']));
        }
        // A run that goes on past what was looked at is still in force.
        $rule = count($run['changes']) > 1 ? ContentLine::of('RRULE', explode(' ', $run['rules'][0])[0]) : '';

        return self::observance($first['dst'], self::wall($first['at'] + $first['before']), $first['before'], $first['after'], $first['name'], $rule);
    }

    private static function observance(bool $dst, string $start, int $before, int $after, string $name, string $repeats = ''): string
    {
        $kind = $dst ? 'DAYLIGHT' : 'STANDARD';

        return ContentLine::of('BEGIN', $kind)
            . ContentLine::of('DTSTART', $start)
            . $repeats
            . ContentLine::of('TZOFFSETFROM', self::offset($before))
            . ContentLine::of('TZOFFSETTO', self::offset($after))
            . ContentLine::text('TZNAME', $name)
            . ContentLine::of('END', $kind);
    }

    private static function wall(int $seconds): string
    {
        return str_replace(['-', ':'], '', WallTime::ofSeconds(max($seconds, Gregorian::FIRST_DAY * 86400))->format());
    }

    /** UTC-OFFSET of RFC 5545 3.3.14: "+0545", with seconds only where the zone has them. */
    private static function offset(int $seconds): string
    {
        $text = sprintf('%s%02d%02d', $seconds < 0 ? '-' : '+', intdiv(abs($seconds), 3600), intdiv(abs($seconds), 60) % 60);

        return $seconds % 60 === 0 ? $text : $text . sprintf('%02d', abs($seconds) % 60);
    }

    /** @param array{at: int, before: int, after: int, dst: bool, name: string} $change */
    private static function yearOf(array $change): int
    {
        return Gregorian::yearOf(Gregorian::floorDiv($change['at'] + $change['before'], 86400));
    }
}
