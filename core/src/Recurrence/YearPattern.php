<?php

declare(strict_types=1);

namespace Syndex\Core\Recurrence;

use Syndex\Core\Time\Gregorian;

/**
 * Which days of a year a rule's day-level parts select, month by month.
 *
 * The answer depends only on the kind of year: its length and the weekday of its first day, with week numbers also the
 * lengths of the years before and after. There are 14 kinds, or 56, so each is worked out once and kept, for all rules that
 * select alike. The BY parts work together as filters, with the roles of the table in RFC 5545 3.3.10; days that a month
 * lacks follow RFC 7529 4.1.
 */
final class YearPattern
{
    /** So many patterns are kept for the next series that asks for the same. */
    private const KEPT = 64;

    /** @var array<string, self> */
    private static array $kept = [];

    /** @var array<int, int> kind by year of the calendar's cycle */
    private static array $kinds = [];

    /** @var array<int, array<int<1, 12>, list<int>>> */
    private array $known = [];

    /** @var array<int, list<int>> */
    private array $wholeYears = [];

    /** @var list<int> */
    private readonly array $monthDays;

    /** @var list<WeekdayPick> */
    private readonly array $days;

    /** @var list<int> */
    private readonly array $months;

    /** @var list<int> the weekdays that BYDAY names, each once */
    private readonly array $weekdays;

    private readonly bool $ofMonth;

    private function __construct(private readonly Rule $rule, int $startDay)
    {
        [, $month, $day] = Gregorian::civil($startDay);
        $yearly = $rule->frequency === Frequency::Yearly;
        $bare = $rule->days === [] && $rule->monthDays === [] && $rule->yearDays === [];
        $expands = $yearly || $rule->frequency === Frequency::Monthly;
        $this->months = $yearly && $bare && $rule->months === [] && $rule->weeks === [] ? [$month] : $rule->months;
        $this->days = $yearly && $bare && $rule->weeks !== [] ? [WeekdayPick::every(Gregorian::weekday($startDay))] : $rule->days;
        $this->monthDays = $expands && $bare && $rule->weeks === [] ? [$day] : $rule->monthDays;
        $this->weekdays = array_values(array_unique(array_map(static fn(WeekdayPick $pick): int => $pick->weekday, $this->days)));
        $this->ofMonth = !$yearly || $rule->months !== [];
    }

    public static function of(Rule $rule, int $startDay): self
    {
        [, $month, $day] = Gregorian::civil($startDay);
        $key = implode(' ', [
            $rule->frequency->value, $rule->skip->value, $rule->weekStart, $month, $day, Gregorian::weekday($startDay),
            implode(',', array_map(static fn(WeekdayPick $pick): string => $pick->toText(), $rule->days)),
            implode(',', $rule->monthDays), implode(',', $rule->yearDays), implode(',', $rule->weeks), implode(',', $rule->months),
        ]);
        if (!isset(self::$kept[$key])) {
            if (count(self::$kept) >= self::KEPT) {
                self::$kept = [];
            }
            self::$kept[$key] = new self($rule, $startDay);
        }

        return self::$kept[$key];
    }

    /**
     * Days selected in each month, counted from the year's first day; SKIP may put one just outside its month.
     *
     * @return array<int<1, 12>, list<int>> ascending within each month
     */
    public function ofYear(int $year): array
    {
        $kind = $this->kind($year);

        return $this->known[$kind] ??= $this->workOut($year);
    }

    /**
     * The same for the whole year, each day once.
     *
     * @return list<int> ascending
     */
    public function wholeYear(int $year): array
    {
        $kind = $this->kind($year);
        if (isset($this->wholeYears[$kind])) {
            return $this->wholeYears[$kind];
        }
        $days = array_merge(...array_values($this->ofYear($year)));
        if ($this->rule->skip !== Skip::Omit) {
            $days = array_values(array_unique($days));
            sort($days);
        }

        return $this->wholeYears[$kind] = $days;
    }

    /** Years of the same kind have the same pattern. */
    public function kind(int $year): int
    {
        // The calendar repeats itself after 400 years, which are a whole number of weeks.
        $kind = self::$kinds[$year % 400] ??= 8 * Gregorian::weekday(Gregorian::yearStart($year))
            + (Gregorian::isLeap($year) ? 1 : 0) + (Gregorian::isLeap($year - 1) ? 2 : 0) + (Gregorian::isLeap($year + 1) ? 4 : 0);

        return $this->rule->weeks === [] ? $kind & ~6 : $kind;
    }

    /** @return array<int<1, 12>, list<int>> */
    private function workOut(int $year): array
    {
        $facts = $this->facts($year);
        $selected = array_fill(1, 12, []);
        for ($month = 1; $month <= 12; $month++) {
            if ($this->months !== [] && !in_array($month, $this->months, true)) {
                continue;
            }
            $offsets = [];
            foreach ($this->candidates($year, $month, $facts) as $ofYear) {
                if (($facts['yearDays'] === null || isset($facts['yearDays'][$ofYear]))
                    && ($facts['weekDays'] === null || isset($facts['weekDays'][$ofYear]))
                    && ($this->days === [] || $this->takesWeekday($year, $month, $ofYear, $facts))) {
                    $offsets[$ofYear] = true;
                }
            }
            ksort($offsets);
            $selected[$month] = array_keys($offsets);
        }

        return $selected;
    }

    /**
     * What is asked of every day of a year, worked out once.
     *
     * @return array{length: int, first: int, yearDays: ?array<int, true>, weekDays: ?array<int, true>} first: weekday of
     *     1 January; yearDays and weekDays: the days that BYYEARDAY and BYWEEKNO take, null where there is no such part
     */
    private function facts(int $year): array
    {
        return [
            'length' => self::lengthOf($year),
            'first' => Gregorian::weekday(Gregorian::yearStart($year)),
            'yearDays' => $this->rule->yearDays === [] ? null : $this->daysOfYear($year),
            'weekDays' => $this->rule->weeks === [] ? null : $this->daysOfWeeks($year),
        ];
    }

    /**
     * The days of one month that may be selected: those that BYMONTHDAY, BYYEARDAY, BYWEEKNO or BYDAY name, the narrowest
     * first, or all of them.
     *
     * @param array{length: int, first: int, yearDays: ?array<int, true>, weekDays: ?array<int, true>} $facts
     * @return list<int> days from the year's first
     */
    private function candidates(int $year, int $month, array $facts): array
    {
        $before = Gregorian::daysBeforeMonth($year, $month);
        $length = Gregorian::daysInMonth($year, $month);
        if ($this->monthDays !== []) {
            return $this->namedDays($before, $length);
        }
        $named = $facts['yearDays'] ?? $facts['weekDays'];
        if ($named !== null) {
            return array_values(array_filter(array_keys($named), static fn(int $day): bool => $day >= $before && $day < $before + $length));
        }
        if ($this->days === []) {
            return range($before, $before + $length - 1);
        }
        $days = [];
        foreach ($this->weekdays as $weekday) {
            for ($day = $before + ($weekday - $facts['first'] - $before % 7 + 14) % 7; $day < $before + $length; $day += 7) {
                $days[] = $day;
            }
        }

        return $days;
    }

    /** @return list<int> the days that BYMONTHDAY names in a month, those that the month lacks by SKIP */
    private function namedDays(int $before, int $length): array
    {
        $days = [];
        foreach ($this->monthDays as $monthDay) {
            $day = $monthDay > 0 ? $monthDay : $length + 1 + $monthDay;
            if ($day >= 1 && $day <= $length) {
                $days[] = $before + $day - 1;
            } elseif ($this->rule->skip === Skip::Backward) {
                $days[] = $day < 1 ? $before - 1 : $before + $length - 1;
            } elseif ($this->rule->skip === Skip::Forward) {
                $days[] = $day < 1 ? $before : $before + $length;
            }
        }

        return $days;
    }

    /** @param array{length: int, first: int, yearDays: ?array<int, true>, weekDays: ?array<int, true>} $facts */
    private function takesWeekday(int $year, int $month, int $ofYear, array $facts): bool
    {
        $weekday = ($facts['first'] + $ofYear + 7) % 7;
        foreach ($this->days as $pick) {
            if ($pick->weekday !== $weekday) {
                continue;
            }
            if ($pick->nth === 0) {
                return true;
            }
            $first = $this->ofMonth ? Gregorian::daysBeforeMonth($year, $month) : 0;
            $length = $this->ofMonth ? Gregorian::daysInMonth($year, $month) : $facts['length'];
            $within = $ofYear - $first;
            if ($pick->nth === intdiv($within, 7) + 1 || $pick->nth === -(intdiv($length - 1 - $within, 7) + 1)) {
                return true;
            }
        }

        return false;
    }

    /** @return array<int, true> */
    private function daysOfYear(int $year): array
    {
        $length = self::lengthOf($year);
        $days = [];
        foreach ($this->rule->yearDays as $yearDay) {
            $day = $yearDay > 0 ? $yearDay - 1 : $length + $yearDay;
            if ($day >= 0 && $day < $length) {
                $days[$day] = true;
            }
        }

        return $days;
    }

    /**
     * Week numbers: week 1 is the first with at least four days in the year (RFC 5545 3.3.10, ISO 8601 with any WKST). The
     * first days of a year may belong to the last week of the year before, its last ones to week 1 of the next.
     *
     * @return array<int, true>
     */
    private function daysOfWeeks(int $year): array
    {
        $length = self::lengthOf($year);
        $starts = [
            $this->firstWeek($year - 1) - self::lengthOf($year - 1),
            $this->firstWeek($year),
            $this->firstWeek($year + 1) + $length,
            $this->firstWeek($year + 2) + $length + self::lengthOf($year + 1),
        ];
        $days = [];
        for ($of = 0; $of < 3; $of++) {
            $weeks = intdiv($starts[$of + 1] - $starts[$of], 7);
            foreach ($this->rule->weeks as $picked) {
                $week = $picked > 0 ? $picked : $weeks + 1 + $picked;
                $start = $starts[$of] + 7 * ($week - 1);
                if ($week >= 1 && $week <= $weeks && $start < $length && $start + 7 > 0) {
                    for ($day = max(0, $start); $day < min($length, $start + 7); $day++) {
                        $days[$day] = true;
                    }
                }
            }
        }
        ksort($days);

        return $days;
    }

    private static function lengthOf(int $year): int
    {
        return Gregorian::isLeap($year) ? 366 : 365;
    }

    /** First day of week 1, counted from the year's first day: -3 to 3. */
    private function firstWeek(int $year): int
    {
        $into = Gregorian::floorMod(Gregorian::weekday(Gregorian::yearStart($year)) - $this->rule->weekStart, 7);

        return $into <= 3 ? -$into : 7 - $into;
    }
}
