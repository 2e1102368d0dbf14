<?php

declare(strict_types=1);

namespace Syndex\Core\Recurrence;

use Syndex\Core\Time\Gregorian;

/**
 * Which days of a year a rule's day-level parts select, month by month.
 *
 * The answer depends only on the kind of year: its length, the weekday of its first day, and the length of the year
 * before (for week numbers). There are 28 kinds, so each is worked out once and kept. The BY parts work together as
 * filters, with the roles of the table in RFC 5545 3.3.10; days that a month lacks follow RFC 7529 4.1.
 */
final class YearPattern
{
    /** @var array<int, array<int<1, 12>, list<int>>> */
    private array $known = [];

    /** @var list<int> */
    private readonly array $monthDays;

    /** @var list<WeekdayPick> */
    private readonly array $days;

    /** @var list<int> */
    private readonly array $months;

    private readonly bool $ofMonth;

    public function __construct(private readonly Rule $rule, int $startDay)
    {
        [, $month, $day] = Gregorian::civil($startDay);
        $yearly = $rule->frequency === Frequency::Yearly;
        $bare = $rule->days === [] && $rule->monthDays === [] && $rule->yearDays === [];
        $expands = $yearly || $rule->frequency === Frequency::Monthly;
        $this->months = $yearly && $bare && $rule->months === [] && $rule->weeks === [] ? [$month] : $rule->months;
        $this->days = $yearly && $bare && $rule->weeks !== [] ? [WeekdayPick::every(Gregorian::weekday($startDay))] : $rule->days;
        $this->monthDays = $expands && $bare && $rule->weeks === [] ? [$day] : $rule->monthDays;
        $this->ofMonth = !$yearly || $rule->months !== [];
    }

    /**
     * Days selected in each month, counted from the year's first day; SKIP may put one just outside its month.
     *
     * @return array<int<1, 12>, list<int>> ascending within each month
     */
    public function ofYear(int $year): array
    {
        $kind = (Gregorian::isLeap($year) ? 1 : 0) + (Gregorian::isLeap($year - 1) ? 2 : 0) + 4 * Gregorian::weekday(Gregorian::yearStart($year));

        return $this->known[$kind] ??= $this->workOut($year);
    }

    /** @return array<int<1, 12>, list<int>> */
    private function workOut(int $year): array
    {
        $selected = array_fill(1, 12, []);
        for ($month = 1; $month <= 12; $month++) {
            if ($this->months !== [] && !in_array($month, $this->months, true)) {
                continue;
            }
            $offsets = [];
            foreach ($this->candidates($year, $month) as $ofYear) {
                if ($this->takes($year, $month, $ofYear)) {
                    $offsets[$ofYear] = true;
                }
            }
            ksort($offsets);
            $selected[$month] = array_keys($offsets);
        }

        return $selected;
    }

    /**
     * The days that BYMONTHDAY names in one month, or all of them.
     *
     * @return list<int> days from the year's first
     */
    private function candidates(int $year, int $month): array
    {
        $before = Gregorian::daysBeforeMonth($year, $month);
        $length = Gregorian::daysInMonth($year, $month);
        if ($this->monthDays === []) {
            return range($before, $before + $length - 1);
        }
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

    private function takes(int $year, int $month, int $ofYear): bool
    {
        return ($this->rule->yearDays === [] || $this->takesYearDay($year, $ofYear))
            && ($this->rule->weeks === [] || $this->takesWeek($year, $ofYear))
            && ($this->days === [] || $this->takesWeekday($year, $month, $ofYear));
    }

    private function takesYearDay(int $year, int $ofYear): bool
    {
        $length = Gregorian::isLeap($year) ? 366 : 365;

        return in_array($ofYear + 1, $this->rule->yearDays, true) || in_array($ofYear - $length, $this->rule->yearDays, true);
    }

    private function takesWeekday(int $year, int $month, int $ofYear): bool
    {
        $weekday = Gregorian::weekday(Gregorian::yearStart($year) + $ofYear);
        foreach ($this->days as $pick) {
            if ($pick->weekday !== $weekday) {
                continue;
            }
            if ($pick->nth === 0) {
                return true;
            }
            $first = $this->ofMonth ? Gregorian::daysBeforeMonth($year, $month) : 0;
            $length = $this->ofMonth ? Gregorian::daysInMonth($year, $month) : (Gregorian::isLeap($year) ? 366 : 365);
            $within = $ofYear - $first;
            if ($pick->nth === intdiv($within, 7) + 1 || $pick->nth === -(intdiv($length - 1 - $within, 7) + 1)) {
                return true;
            }
        }

        return false;
    }

    /** Week numbers: week 1 is the first with at least four days in the year (RFC 5545 3.3.10, ISO 8601 with any WKST). */
    private function takesWeek(int $year, int $ofYear): bool
    {
        $first = $this->firstWeek($year);
        $next = $this->firstWeek($year + 1) + (Gregorian::isLeap($year) ? 366 : 365);
        if ($ofYear < $first) {
            $length = Gregorian::isLeap($year - 1) ? 366 : 365;
            $start = $this->firstWeek($year - 1) - $length;

            return $this->isPicked(intdiv($ofYear - $start, 7) + 1, intdiv($first - $start, 7));
        }
        if ($ofYear >= $next) {
            return $this->isPicked(1, intdiv($this->firstWeek($year + 2) + (Gregorian::isLeap($year + 1) ? 366 : 365) - $this->firstWeek($year + 1), 7));
        }

        return $this->isPicked(intdiv($ofYear - $first, 7) + 1, intdiv($next - $first, 7));
    }

    private function isPicked(int $week, int $weeks): bool
    {
        return in_array($week, $this->rule->weeks, true) || in_array($week - $weeks - 1, $this->rule->weeks, true);
    }

    /** First day of week 1, counted from the year's first day: -3 to 3. */
    private function firstWeek(int $year): int
    {
        $into = Gregorian::floorMod(Gregorian::weekday(Gregorian::yearStart($year)) - $this->rule->weekStart, 7);

        return $into <= 3 ? -$into : 7 - $into;
    }
}
