<?php

declare(strict_types=1);

namespace Syndex\Core\Recurrence;

use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\Instant;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\Zone;
use Syndex\Core\TooMuchWork;
use Syndex\Core\Work;

/**
 * Moves a whole series on the anchor's clock: every date by the same, and with it all that a rule says of days, times and the end.
 *
 * Where that crosses midnight there is not always a rule for it ("the second Tuesday" becomes sometimes the second, sometimes the
 * third Wednesday). So what comes out is held against what went in, date by date.
 */
final class MoveSeries
{
    /** So many dates are compared; of a series without end those of so many years. */
    private const COMPARED = 3000;

    private const YEARS = 40;

    /** Of a series without end, so many are counted where they differ. */
    private const COUNTED_OF_OPEN = 52;

    /** @param ?Zone $zone whose clock the moved series keeps; null: the same as before */
    public static function by(Series $series, int $minutes, ?Zone $zone = null): MovedSeries
    {
        $seconds = $minutes * 60;
        $zone ??= $series->zone;
        if ($series->rule === null || $seconds === 0) {
            return MovedSeries::exact(self::moved($series, $series->rule, $seconds, $zone));
        }
        $best = null;
        $wanted = array_map(static fn(int $wall): int => $wall + $seconds, self::walls($series));
        foreach (self::candidates($series, $series->rule, $seconds) as $rule) {
            $moved = self::moved($series, $rule, $seconds, $zone);
            $found = self::walls($moved);
            if ($found === $wanted) {
                return MovedSeries::exact($moved);
            }
            $differ = self::differing($series, $wanted, $found);
            if ($best === null || $differ[0] < $best[1][0]) {
                $best = [$moved, $differ, $found];
            }
        }
        [$words, [$differ, $of], $found] = $best ?? [self::moved($series, $series->rule, $seconds, $zone), [1, 1], []];

        return MovedSeries::byWords($words, $differ, $of, $series->rule->isOpen() || count($wanted) >= self::COMPARED ? null : self::byDates($words, $wanted, $found));
    }

    /**
     * How many of the dates that were meant the words do not have, and of how many.
     *
     * @param list<int> $wanted
     * @param list<int> $found
     * @return array{int, int}
     */
    private static function differing(Series $series, array $wanted, array $found): array
    {
        $known = array_fill_keys($found, true);
        foreach ($series->rule?->isOpen() === true ? [self::COUNTED_OF_OPEN, count($wanted)] : [count($wanted)] as $of) {
            $compared = array_slice($wanted, 0, $of);
            $missing = count(array_filter($compared, static fn(int $wall): bool => !isset($known[$wall])));
            if ($missing > 0) {
                return [$missing, count($compared)];
            }
        }

        return [max(1, abs(count($found) - count($wanted))), max(1, count($wanted))];
    }

    /**
     * The words, with every date that they get wrong dropped and the right one added.
     *
     * @param list<int> $wanted
     * @param list<int> $found
     */
    private static function byDates(Series $words, array $wanted, array $found): Series
    {
        return self::of($words, $words->start, $words->rule, self::together($words->extra, array_diff($wanted, $found)), self::together($words->dropped, array_diff($found, $wanted)), $words->zone);
    }

    /**
     * @param list<WallTime> $walls
     * @param array<int> $more
     * @return list<WallTime> in order
     */
    private static function together(array $walls, array $more): array
    {
        $seconds = [...array_map(static fn(WallTime $wall): int => $wall->seconds, $walls), ...array_values($more)];
        sort($seconds);

        return array_map(WallTime::ofSeconds(...), array_values(array_unique($seconds)));
    }

    /** @return list<int> what the anchor's clock shows at each date, as many as are compared */
    private static function walls(Series $series): array
    {
        // On the wall alone, so that hours which a zone skips do not matter here.
        $rule = $series->rule?->until === null || $series->zone === null ? $series->rule : $series->rule->withUntil(Until::wallTime(WallTime::ofSeconds($series->zone->toWall($series->rule->until->lastMoment($series->zone)))));
        $floating = Series::of($series->allDay, $series->start, null, $rule, $series->extra, $series->dropped);
        // Without an end the first decades tell; with one, all dates do.
        $to = $series->rule?->isOpen() === true ? Instant::ofSeconds($series->start->seconds + self::YEARS * 31_557_600) : null;
        foreach ([self::COMPARED, 200, 20] as $limit) {
            try {
                return $floating->expand(Work::usual(), to: $to, limit: $limit)->walls;
            } catch (TooMuchWork) {
                continue;
            }
        }

        return [];
    }

    /** @return list<Rule> rules that may say the same of the moved days, the likeliest first */
    private static function candidates(Series $series, Rule $rule, int $seconds): array
    {
        $start = $series->start->plusSeconds($seconds);
        $times = self::times($series, $rule, $seconds);
        $days = $times['days'] ?? $start->dayNumber() - $series->start->dayNumber();
        if (isset($times['lists'])) {
            [$hours, $minutes, $ofMinute] = $times['lists'];
            $rule = $rule->with(seconds: $ofMinute, minutes: $minutes, hours: $hours);
        }
        $rule = $rule->until === null ? $rule : $rule->withUntil(self::until($rule->until, $series, $seconds, $times === null ? null : $days));
        if ($days === 0) {
            return [$rule];
        }
        $onDays = self::onOtherDays($rule, $series->start, $days);
        $weekStart = Gregorian::floorMod($rule->weekStart + $days, 7);

        return [$onDays, $onDays->with(weekStart: $weekStart)];
    }

    /**
     * Times of day as the rule names them, moved: by how many days they move, if all by as many, and the lists that say them.
     *
     * @return ?array{days?: int, lists?: array{list<int>, list<int>, list<int>}} null where they do not move alike
     */
    private static function times(Series $series, Rule $rule, int $seconds): ?array
    {
        if ($rule->hours === [] && $rule->minutes === [] && $rule->seconds === []) {
            return [];
        }
        $ofStart = $series->start->secondOfDay();
        $period = $rule->frequency->secondsBelowADay() ?? 86400;
        $hours = $rule->hours ?: ($period > 3600 ? [intdiv($ofStart, 3600)] : []);
        $minutes = $rule->minutes ?: ($period > 60 ? [intdiv($ofStart, 60) % 60] : []);
        [$days, $h, $m, $count] = [[], [], [], 0];
        foreach ($hours ?: [0] as $hour) {
            foreach ($minutes ?: [0] as $minute) {
                $moved = $hour * 3600 + $minute * 60 + $seconds;
                $days[Gregorian::floorDiv($moved, 86400)] = true;
                $h[intdiv(Gregorian::floorMod($moved, 86400), 3600)] = true;
                $m[intdiv(Gregorian::floorMod($moved, 3600), 60)] = true;
                $count++;
            }
        }
        if (count($days) !== 1 || count($h) * count($m) !== $count) {
            return null;
        }

        // What the rule left to its start, it leaves to it again where the moved start says the same.
        $start = Gregorian::floorMod($ofStart + $seconds, 86400);

        return ['days' => array_key_first($days), 'lists' => [
            self::named($rule->hours, $hours === [] ? [] : array_keys($h), intdiv($start, 3600)),
            self::named($rule->minutes, $minutes === [] ? [] : array_keys($m), intdiv($start, 60) % 60),
            $rule->seconds,
        ]];
    }

    /**
     * @param list<int> $named before
     * @param list<int> $moved
     * @return list<int>
     */
    private static function named(array $named, array $moved, int $atStart): array
    {
        return $named === [] && $moved === [$atStart] ? [] : $moved;
    }

    /** @param ?int $days by how many days every date moves; null where not all by as many */
    private static function until(Until $until, Series $series, int $seconds, ?int $days): Until
    {
        if ($until->isWholeDay() && ($days !== null || $series->allDay)) {
            return $until->laterBy(($days ?? 0) * 86400, null);
        }
        // As a time of day, where not every date moves by as many days.
        $last = Until::wallTime(WallTime::ofSeconds($until->isWholeDay() ? $until->lastWall(null) : ($series->zone === null ? $until->lastMoment(null) : $series->zone->toWall($until->lastMoment($series->zone)))));

        return $last->laterBy($seconds, null);
    }

    /** "Tuesdays" become "Wednesdays", "the 8th" becomes "the 9th"; "the second Tuesday" becomes "the second Wednesday". */
    private static function onOtherDays(Rule $rule, WallTime $start, int $days): Rule
    {
        $picks = array_map(static fn(WeekdayPick $pick): WeekdayPick => $pick->onWeekday(Gregorian::floorMod($pick->weekday + $days, 7)), $rule->days);
        [$months, $monthDays] = self::monthsAndDays($rule, $start, $days);

        return $rule->with(
            days: $picks,
            monthDays: $monthDays,
            yearDays: array_map(static fn(int $day): int => self::counted($day, $days, 366), $rule->yearDays),
            months: $months,
        );
    }

    /** @return array{list<int>, list<int>} months and days of the month, moved */
    private static function monthsAndDays(Rule $rule, WallTime $start, int $days): array
    {
        $ofMonth = $rule->monthDays ?: ($rule->months !== [] && $rule->frequency === Frequency::Yearly && $rule->days === [] && $rule->yearDays === [] && $rule->weeks === [] ? [Gregorian::civil($start->dayNumber())[2]] : []);
        if ($ofMonth !== [] && $rule->months !== []) {
            $months = $monthDays = $pairs = [];
            foreach ($rule->months as $month) {
                foreach ($ofMonth as $day) {
                    // In a common year; what a leap year does otherwise is found by comparing.
                    $length = Gregorian::daysInMonth(2026, $month);
                    [, $m, $d] = Gregorian::civil(Gregorian::dayNumber(2026, $month, 1) + ($day > 0 ? $day - 1 : $length + $day) + $days);
                    $moved = $day < 0 && $m === $month ? $d - $length - 1 : $d;
                    [$months[$m], $monthDays[$moved], $pairs["$m $moved"]] = [true, true, true];
                }
            }
            if (count($months) * count($monthDays) === count($pairs)) {
                return [array_keys($months), array_keys($monthDays)];
            }
        }

        return [$rule->months, array_map(static fn(int $day): int => self::counted($day, $days, 31), $rule->monthDays)];
    }

    /** A day counted from the beginning or the end of a month or year: past its edge it is counted from the other side. */
    private static function counted(int $day, int $days, int $most): int
    {
        $moved = $day + $days;

        return match (true) {
            $day > 0 && $moved < 1 => $moved - 1,
            $day < 0 && $moved > -1 => $moved + 1,
            $moved > $most => $moved - $most,
            $moved < -$most => $moved + $most,
            default => $moved,
        };
    }

    private static function moved(Series $series, ?Rule $rule, int $seconds, ?Zone $zone): Series
    {
        $move = static fn(WallTime $wall): WallTime => $wall->plusSeconds($seconds);

        return self::of($series, $move($series->start), $rule, array_map($move, $series->extra), array_map($move, $series->dropped), $zone);
    }

    /**
     * @param list<WallTime> $extra
     * @param list<WallTime> $dropped
     */
    private static function of(Series $series, WallTime $start, ?Rule $rule, array $extra, array $dropped, ?Zone $zone): Series
    {
        $day = static fn(WallTime $wall): WallTime => WallTime::parseDate($wall->formatDate());

        return $series->allDay
            ? Series::allDay($day($start), $rule, array_map($day, $extra), array_map($day, $dropped))
            : Series::timed($start, $zone, $rule, $extra, $dropped);
    }
}
