<?php

declare(strict_types=1);

namespace Syndex\Core\Recurrence;

use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\Zone;
use Syndex\Core\Work;

/**
 * Walks the wall times that a rule produces, in order, many at a time (RFC 5545 3.3.10).
 *
 * COUNT and UNTIL are not its business: it knows the pattern only. It may begin anywhere after DTSTART without
 * walking there, since each period is reached by arithmetic. It ends with the year 9999.
 */
final class RuleWalk
{
    /** Lists begin short, for those who want a date or two, and grow. */
    private const FIRST = 8;

    private const MOST = 512;

    /** The last second of the year 9999. */
    private const LAST = Gregorian::LAST_DAY * 86400 + 86399;

    private readonly YearPattern $pattern;

    /** @var list<int> times of day of every period of a day or more */
    private readonly array $times;

    private readonly int $startDay;

    public function __construct(private readonly Rule $rule, private readonly WallTime $start, private readonly Work $work)
    {
        $this->startDay = $start->dayNumber();
        $this->pattern = YearPattern::of($rule, $this->startDay);
        $this->work->spend((max(1, count($rule->hours)) * max(1, count($rule->minutes)) * max(1, count($rule->seconds))) >> 2);
        $this->times = $this->timesOfDay();
    }

    /**
     * @param  int  $from  no wall time before it is wanted (earlier ones of the same period may come)
     * @return \Generator<non-empty-list<int>> wall seconds, ascending within a list and from list to list (with SKIP from year to year), none before DTSTART
     */
    public function from(int $from): \Generator
    {
        if ($this->realSeconds() === [] || !$this->hasPosition()) {
            return;
        }
        $least = $this->start->seconds;
        foreach ($this->lists(max($from, $least)) as $walls) {
            if ($walls !== [] && $walls[0] < $least) {
                $walls = array_values(array_filter($walls, static fn(int $wall): bool => $wall >= $least));
            }
            if ($walls !== []) {
                yield $walls;
            }
        }
    }

    /**
     * The wall time of the nth date, where arithmetic finds it: days or weeks that nothing filters, with one time of day; and
     * periods below a day that nothing filters. Two wall times that mean one moment count once, so where the zone may let them
     * there is no answer.
     *
     * @return ?int null where the dates must be walked; PHP_INT_MAX past the year 9999
     */
    public function nth(int $n, ?Zone $zone): ?int
    {
        $rule = $this->rule;
        $step = $zone === null && $rule->frequency->secondsBelowADay() !== null ? (new ClockPattern($rule, $this->start, $this->work))->plainStep() : null;
        if ($step !== null) {
            return self::orNever($this->start->seconds + self::product($n - 1, $step));
        }
        $isEven = $rule->months === [] && $rule->positions === [] && count($this->times) === 1 && $this->realSeconds() !== [];
        if ($isEven && $rule->frequency === Frequency::Daily && $rule->days === [] && $rule->monthDays === []) {
            [$first, $each, $step] = [[$this->startDay * 86400 + $this->times[0]], [$this->times[0]], $rule->interval * 86400];
            $period = $this->startDay * 86400;
        } elseif ($isEven && $rule->frequency === Frequency::Weekly) {
            $period = $this->weekOf($this->startDay) * 86400;
            $each = array_map(fn(int $offset): int => $offset * 86400 + $this->times[0], $this->weekOffsets());
            $first = array_map(static fn(int $offset): int => $period + $offset, $each);
            $step = $rule->interval * 7 * 86400;
        } else {
            return null;
        }
        $first = array_values(array_filter($first, fn(int $wall): bool => $wall >= $this->start->seconds));
        $after = $n - count($first) - 1;
        $wall = $after < 0 ? $first[$n - 1] : $period + self::product(intdiv($after, count($each)) + 1, $step) + $each[$after % count($each)];

        return $zone !== null && $zone->skipsADay($this->start->seconds, $wall) ? null : self::orNever($wall);
    }

    private static function orNever(int $wall): int
    {
        return $wall > self::LAST ? PHP_INT_MAX : $wall;
    }

    /** $n steps, or more than any date lies apart: INTERVAL times COUNT would not fit. */
    private static function product(int $n, int $step): int
    {
        return $n > intdiv(2 * self::LAST, $step) ? 2 * self::LAST : $n * $step;
    }

    /** Whether a period's set can be as large as BYSETPOS asks; the sets of years and months are cheap to look at. */
    private function hasPosition(): bool
    {
        $seconds = count($this->realSeconds());
        $largest = match ($this->rule->frequency) {
            Frequency::Yearly, Frequency::Monthly => PHP_INT_MAX,
            Frequency::Weekly => max(1, count($this->rule->days)) * count($this->times),
            Frequency::Daily => count($this->times),
            Frequency::Hourly => max(1, count($this->rule->minutes)) * $seconds,
            Frequency::Minutely => $seconds,
            Frequency::Secondly => 1,
        };

        return $this->rule->positions === [] || min(array_map(abs(...), $this->rule->positions)) <= $largest;
    }

    /** @return \Generator<list<int>> */
    private function lists(int $from): \Generator
    {
        return match ($this->rule->frequency) {
            Frequency::Yearly => $this->years($from),
            Frequency::Monthly => 12 % $this->rule->interval === 0 ? $this->monthsOfYears($from) : $this->months($from),
            Frequency::Weekly => $this->weeks($from),
            Frequency::Daily => $this->days($from),
            default => $this->clock($from),
        };
    }

    /** @return \Generator<list<int>> */
    private function years(int $from): \Generator
    {
        $year = self::aligned(Gregorian::yearOf($this->startDay), Gregorian::yearOf(Gregorian::floorDiv($from, 86400)) - 1, $this->rule->interval);
        [$known, $walls, $size] = [[], [], 1];
        for (; $year <= 9999; $year += $this->rule->interval) {
            $kind = $this->pattern->kind($year);
            $known[$kind] ??= Positions::pick($this->atTimes($this->pattern->wholeYear($year)), $this->rule->positions);
            $this->addShifted($walls, $known[$kind], Gregorian::yearStart($year) * 86400);
            if (count($walls) >= $size) {
                yield $walls;
                [$walls, $size] = [[], min(self::MOST, 2 * $size)];
            }
        }
        yield $walls;
    }

    /**
     * Months whose interval divides the year, a year at a time.
     *
     * @return \Generator<list<int>>
     */
    private function monthsOfYears(int $from): \Generator
    {
        [$startYear, $startMonth] = Gregorian::civil($this->startDay);
        [$known, $walls, $size] = [[], [], 1];
        for ($year = max($startYear, Gregorian::yearOf(Gregorian::floorDiv($from, 86400)) - 1); $year <= 9999; $year++) {
            // The months before DTSTART's, in its own year, are no periods of the rule.
            $kind = $year === $startYear ? -1 : $this->pattern->kind($year);
            $known[$kind] ??= $this->ofMonths($year, $year === $startYear ? $startMonth : ($startMonth - 1) % $this->rule->interval + 1);
            $this->addShifted($walls, $known[$kind], Gregorian::yearStart($year) * 86400);
            if (count($walls) >= $size) {
                yield $walls;
                [$walls, $size] = [[], min(self::MOST, 2 * $size)];
            }
        }
        yield $walls;
    }

    /** @return list<int> seconds from the year's begin on */
    private function ofMonths(int $year, int $firstMonth): array
    {
        $byMonth = $this->pattern->ofYear($year);
        $walls = [];
        for ($month = $firstMonth; $month <= 12; $month += $this->rule->interval) {
            foreach (Positions::pick($this->atTimes($byMonth[$month]), $this->rule->positions) as $wall) {
                $walls[] = $wall;
            }
        }

        return $this->rule->skip === Skip::Omit ? $walls : self::unique($walls);
    }

    /** @return \Generator<list<int>> */
    private function months(int $from): \Generator
    {
        [$year, $month] = Gregorian::civil($this->startDay);
        [$fromYear, $fromMonth] = Gregorian::civil(Gregorian::floorDiv($from, 86400));
        $index = self::aligned($year * 12 + $month - 1, $fromYear * 12 + $fromMonth - 2, $this->rule->interval);
        for (; $index < 120000; $index += $this->rule->interval) {
            $year = intdiv($index, 12);
            $walls = Positions::pick($this->atTimes($this->pattern->ofYear($year)[$index % 12 + 1]), $this->rule->positions);
            yield $this->shifted($walls, Gregorian::yearStart($year) * 86400);
        }
    }

    /** @return \Generator<list<int>> */
    private function weeks(int $from): \Generator
    {
        $offsets = $this->weekOffsets();
        $each = Positions::pick($this->atTimes($offsets), $this->rule->positions);
        $step = 7 * $this->rule->interval;
        $week = self::aligned($this->weekOf($this->startDay), $this->weekOf(Gregorian::floorDiv($from, 86400)), $step);
        $size = self::FIRST;
        while ($week <= Gregorian::LAST_DAY) {
            $walls = [];
            for ($left = $size; $left > 0 && $week <= Gregorian::LAST_DAY; $left--, $week += $step) {
                $base = $week * 86400;
                foreach ($this->rule->months === [] ? $each : $this->inMonths($week, $offsets, $each) as $wall) {
                    $walls[] = $base + $wall;
                }
            }
            $this->work->spend($size + count($walls));
            $size = min(self::MOST, 2 * $size);
            yield $walls;
        }
    }

    /**
     * The part of a week that lies in the months of the rule.
     *
     * @param  list<int>  $offsets  days of the week
     * @param  list<int>  $each  what a whole week gives
     * @return list<int>
     */
    private function inMonths(int $week, array $offsets, array $each): array
    {
        $isFirstIn = in_array(Gregorian::civil($week)[1], $this->rule->months, true);
        $isLastIn = in_array(Gregorian::civil($week + 6)[1], $this->rule->months, true);
        if ($isFirstIn === $isLastIn) {
            return $isFirstIn ? $each : [];
        }
        $within = array_values(array_filter($offsets, fn(int $offset): bool => in_array(Gregorian::civil($week + $offset)[1], $this->rule->months, true)));

        return Positions::pick($this->atTimes($within), $this->rule->positions);
    }

    /** @return \Generator<list<int>> */
    private function days(int $from): \Generator
    {
        $times = Positions::pick($this->times, $this->rule->positions);
        $first = self::aligned($this->startDay, Gregorian::floorDiv($from, 86400), $this->rule->interval);
        foreach ($this->selectedDays($first, $this->rule->interval) as $days) {
            $this->work->spend(count($days) * count($times));
            $walls = [];
            foreach ($days as $day) {
                foreach ($times as $time) {
                    $walls[] = $day * 86400 + $time;
                }
            }
            yield $walls;
        }
    }

    /**
     * The days from one on that the day-level parts let through, of every $step counted from that one.
     *
     * @return \Generator<list<int>>
     */
    private function selectedDays(int $first, int $step): \Generator
    {
        if ($this->rule->months === [] && $this->rule->days === [] && $this->rule->monthDays === [] && $this->rule->yearDays === []) {
            $size = self::FIRST;
            for ($day = $first; $day <= Gregorian::LAST_DAY; $day += $size * $step, $size = min(self::MOST, 2 * $size)) {
                $this->work->spend(1);
                yield self::steps($day, min($day + ($size - 1) * $step, Gregorian::LAST_DAY), $step);
            }

            return;
        }
        for ($year = Gregorian::yearOf($first); $year <= 9999; $year++) {
            $days = [];
            $start = Gregorian::yearStart($year);
            foreach ($this->pattern->wholeYear($year) as $offset) {
                if ($start + $offset >= $first && ($start + $offset - $first) % $step === 0) {
                    $days[] = $start + $offset;
                }
            }
            $this->work->spend(4 + count($days));
            yield $days;
        }
    }

    /**
     * Periods below a day.
     *
     * @return \Generator<list<int>>
     */
    private function clock(int $from): \Generator
    {
        $clock = new ClockPattern($this->rule, $this->start, $this->work);
        $step = $clock->plainStep();
        if ($step !== null) {
            $size = self::FIRST;
            $last = Gregorian::LAST_DAY * 86400 + 86399;
            for ($at = self::aligned($this->start->seconds, $from, $step); $at <= $last; $at += $size * $step, $size = min(self::MOST, 2 * $size)) {
                $this->work->spend($size);
                yield self::steps($at, min($at + ($size - 1) * $step, $last), $step);
            }

            return;
        }
        if ($clock->isEmpty()) {
            return;
        }
        foreach ($this->selectedDays(max($this->startDay, Gregorian::floorDiv($from, 86400)), 1) as $days) {
            foreach ($days as $day) {
                $times = $clock->ofDay($day);
                $this->work->spend(1 + count($times));
                yield $this->shifted($times, $day * 86400);
            }
        }
    }

    /**
     * Days with their times of day.
     *
     * @param  list<int>  $days
     * @return list<int> seconds
     */
    private function atTimes(array $days): array
    {
        // Before they are made: a year of all its seconds would fill the memory.
        $this->work->spend(count($days) * count($this->times));
        $walls = [];
        foreach ($days as $day) {
            foreach ($this->times as $time) {
                $walls[] = $day * 86400 + $time;
            }
        }

        return $walls;
    }

    /**
     * @param  list<int>  $walls
     * @param  list<int>  $more
     *
     * @param-out list<int> $walls
     */
    private function addShifted(array &$walls, array $more, int $by): void
    {
        $this->work->spend(4 + count($more));
        foreach ($more as $wall) {
            $walls[] = $wall + $by;
        }
    }

    /**
     * @param  list<int>  $walls
     * @return list<int>
     */
    private function shifted(array $walls, int $by): array
    {
        $this->work->spend(4 + count($walls));
        foreach ($walls as &$wall) {
            $wall += $by;
        }

        return $walls;
    }

    /**
     * @return non-empty-list<int> $first and every $step after it, to $last at most
     */
    public static function steps(int $first, int $last, int $step): array
    {
        return $first + $step > $last ? [$first] : range($first, $last, $step);
    }

    /** @return list<int> the days of a week that the rule names, counted from the week's first */
    private function weekOffsets(): array
    {
        $weekdays = array_map(static fn(WeekdayPick $p): int => $p->weekday, $this->rule->days) ?: [Gregorian::weekday($this->startDay)];

        return self::unique(array_map(fn(int $weekday): int => Gregorian::floorMod($weekday - $this->rule->weekStart, 7), $weekdays));
    }

    /** @return list<int> */
    private function timesOfDay(): array
    {
        $second = $this->start->secondOfDay();
        $times = [];
        foreach ($this->rule->hours ?: [intdiv($second, 3600)] as $hour) {
            foreach ($this->rule->minutes ?: [intdiv($second, 60) % 60] as $minute) {
                foreach ($this->realSeconds() as $ofMinute) {
                    $times[] = $hour * 3600 + $minute * 60 + $ofMinute;
                }
            }
        }

        return $times;
    }

    /**
     * BYSECOND=60 is allowed, but civil time as computers keep it has no such second: it never comes.
     *
     * @return list<int>
     */
    private function realSeconds(): array
    {
        return $this->rule->seconds === []
            ? [$this->start->secondOfDay() % 60]
            : array_values(array_filter($this->rule->seconds, static fn(int $s): bool => $s < 60));
    }

    private function weekOf(int $day): int
    {
        return $day - Gregorian::floorMod(Gregorian::weekday($day) - $this->rule->weekStart, 7);
    }

    /** The first of $start, $start + $step, ... that is not before $least. */
    private static function aligned(int $start, int $least, int $step): int
    {
        return $least <= $start ? $start : $start + intdiv($least - $start + $step - 1, $step) * $step;
    }

    /**
     * @param  list<int>  $numbers
     * @return list<int>
     */
    private static function unique(array $numbers): array
    {
        $numbers = array_values(array_unique($numbers));
        sort($numbers);

        return $numbers;
    }
}
