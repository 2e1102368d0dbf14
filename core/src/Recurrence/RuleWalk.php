<?php

declare(strict_types=1);

namespace Syndex\Core\Recurrence;

use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Work;

/**
 * Walks the wall times that a rule produces, in order, a list for each period (RFC 5545 3.3.10).
 *
 * COUNT and UNTIL are not its business: it knows the pattern only. It may begin anywhere after DTSTART without
 * walking there, since each period is reached by arithmetic. It ends with the year 9999.
 */
final class RuleWalk
{
    private readonly YearPattern $pattern;

    /** @var list<int> times of day of every period of a day or more */
    private readonly array $times;

    private readonly int $startDay;

    public function __construct(private readonly Rule $rule, private readonly WallTime $start, private readonly Work $work)
    {
        $this->startDay = $start->dayNumber();
        $this->pattern = new YearPattern($rule, $this->startDay);
        $this->times = $this->timesOfDay();
    }

    /**
     * @param  int  $from  no wall time before it is wanted (earlier ones of the same period may come)
     * @return \Generator<list<int>> wall seconds, ascending within a period, none before DTSTART
     */
    public function from(int $from): \Generator
    {
        if ($this->realSeconds() === [] || !$this->hasPosition()) {
            return;
        }
        $from = max($from, $this->start->seconds);
        foreach ($this->periods($from) as $walls) {
            if ($walls !== [] && $walls[0] < $this->start->seconds) {
                $walls = array_values(array_filter($walls, fn(int $wall): bool => $wall >= $this->start->seconds));
            }
            if ($walls !== []) {
                yield $walls;
            }
        }
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
    private function periods(int $from): \Generator
    {
        return match ($this->rule->frequency) {
            Frequency::Yearly => $this->years($from),
            Frequency::Monthly => $this->months($from),
            Frequency::Weekly => $this->weeks($from),
            Frequency::Daily => $this->days($from),
            default => $this->clock($from),
        };
    }

    /** @return \Generator<list<int>> */
    private function years(int $from): \Generator
    {
        $start = Gregorian::yearOf($this->startDay);
        $year = self::aligned($start, Gregorian::yearOf(Gregorian::floorDiv($from, 86400)) - 1, $this->rule->interval);
        for (; $year <= 9999; $year += $this->rule->interval) {
            $this->work->spend(4);
            $first = Gregorian::yearStart($year);
            $days = [];
            foreach ($this->pattern->ofYear($year) as $offsets) {
                foreach ($offsets as $offset) {
                    $days[] = $first + $offset;
                }
            }
            yield $this->atTimes($this->rule->skip === Skip::Omit ? $days : self::unique($days));
        }
    }

    /** @return \Generator<list<int>> */
    private function months(int $from): \Generator
    {
        [$year, $month] = Gregorian::civil($this->startDay);
        [$fromYear, $fromMonth] = Gregorian::civil(Gregorian::floorDiv($from, 86400));
        $index = self::aligned($year * 12 + $month - 1, $fromYear * 12 + $fromMonth - 2, $this->rule->interval);
        for (; $index < 120000; $index += $this->rule->interval) {
            $this->work->spend(2);
            $year = intdiv($index, 12);
            $first = Gregorian::yearStart($year);
            yield $this->atTimes(array_map(static fn(int $offset): int => $first + $offset, $this->pattern->ofYear($year)[$index % 12 + 1]));
        }
    }

    /** @return \Generator<list<int>> */
    private function weeks(int $from): \Generator
    {
        $weekdays = array_map(static fn(WeekdayPick $p): int => $p->weekday, $this->rule->days) ?: [Gregorian::weekday($this->startDay)];
        $offsets = self::unique(array_map(fn(int $weekday): int => Gregorian::floorMod($weekday - $this->rule->weekStart, 7), $weekdays));
        $start = $this->weekOf($this->startDay);
        $week = self::aligned($start, $this->weekOf(Gregorian::floorDiv($from, 86400)), 7 * $this->rule->interval);
        for (; $week <= Gregorian::LAST_DAY; $week += 7 * $this->rule->interval) {
            $this->work->spend(2);
            $days = [];
            foreach ($offsets as $offset) {
                if ($this->rule->months === [] || in_array(Gregorian::civil($week + $offset)[1], $this->rule->months, true)) {
                    $days[] = $week + $offset;
                }
            }
            yield $this->atTimes($days);
        }
    }

    /** @return \Generator<list<int>> */
    private function days(int $from): \Generator
    {
        $first = self::aligned($this->startDay, Gregorian::floorDiv($from, 86400), $this->rule->interval);
        foreach ($this->selectedDays($first) as $day) {
            if (($day - $this->startDay) % $this->rule->interval === 0) {
                yield $this->atTimes([$day]);
            }
        }
    }

    /**
     * Every day from one on that the day-level parts let through.
     *
     * @return \Generator<int>
     */
    private function selectedDays(int $first): \Generator
    {
        $step = $this->rule->frequency === Frequency::Daily ? $this->rule->interval : 1;
        if ($this->rule->months === [] && $this->rule->days === [] && $this->rule->monthDays === [] && $this->rule->yearDays === []) {
            for ($day = $first; $day <= Gregorian::LAST_DAY; $day += $step) {
                $this->work->spend(1);
                yield $day;
            }

            return;
        }
        for ($year = Gregorian::yearOf($first); $year <= 9999; $year++) {
            $this->work->spend(4);
            $start = Gregorian::yearStart($year);
            foreach ($this->pattern->ofYear($year) as $offsets) {
                foreach ($offsets as $offset) {
                    if ($start + $offset >= $first) {
                        $this->work->spend(1);
                        yield $start + $offset;
                    }
                }
            }
        }
    }

    /**
     * Periods below a day: hours, minutes or seconds that lie a whole number of intervals after DTSTART's own.
     *
     * @return \Generator<list<int>>
     */
    private function clock(int $from): \Generator
    {
        $size = (int) $this->rule->frequency->secondsBelowADay();
        $step = $size * $this->rule->interval;
        $base = $this->start->seconds - $this->start->seconds % $size - ($this->start->seconds % $size < 0 ? $size : 0);
        $first = Gregorian::floorDiv(self::aligned($base, $from - $size, $step), 86400);
        foreach ($this->selectedDays($first) as $day) {
            $at = self::aligned($base, $day * 86400, $step);
            for ($end = ($day + 1) * 86400; $at < $end; $at += $step) {
                $this->work->spend(1);
                $hour = intdiv($at - $day * 86400, 3600);
                if ($this->rule->hours !== [] && !in_array($hour, $this->rule->hours, true)) {
                    // On to the last period of this hour; the loop takes the step into the next one.
                    $at += intdiv($day * 86400 + $hour * 3600 + 3599 - $at, $step) * $step;

                    continue;
                }
                $minute = $at - Gregorian::floorMod($at, 60);
                if ($size < 3600 && $this->rule->minutes !== [] && !in_array(intdiv($at - $day * 86400, 60) % 60, $this->rule->minutes, true)) {
                    $at += intdiv($minute + 59 - $at, $step) * $step;

                    continue;
                }
                yield $this->atPositions($this->withinPeriod($at, $size));
            }
        }
    }

    /** @return list<int> */
    private function withinPeriod(int $at, int $size): array
    {
        if ($size === 1) {
            return $this->rule->seconds === [] || in_array(Gregorian::floorMod($at, 60), $this->rule->seconds, true) ? [$at] : [];
        }
        $minutes = $size === 60 ? [0] : ($this->rule->minutes ?: [intdiv($this->start->secondOfDay(), 60) % 60]);
        $walls = [];
        foreach ($minutes as $minute) {
            foreach ($this->realSeconds() as $second) {
                $walls[] = $at + $minute * 60 + $second;
            }
        }

        return $walls;
    }

    /**
     * @param  list<int>  $days
     * @return list<int>
     */
    private function atTimes(array $days): array
    {
        $walls = [];
        foreach ($days as $day) {
            foreach ($this->times as $time) {
                $walls[] = $day * 86400 + $time;
            }
        }
        $this->work->spend(count($walls));

        return $this->atPositions($walls);
    }

    /**
     * BYSETPOS: the nth of the period's set, from its start or its end.
     *
     * @param  list<int>  $walls
     * @return list<int>
     */
    private function atPositions(array $walls): array
    {
        if ($this->rule->positions === []) {
            return $walls;
        }
        $count = count($walls);
        $picked = [];
        foreach ($this->rule->positions as $position) {
            $index = $position > 0 ? $position - 1 : $count + $position;
            if ($index >= 0 && $index < $count) {
                $picked[$index] = $walls[$index];
            }
        }
        ksort($picked);

        return array_values($picked);
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
