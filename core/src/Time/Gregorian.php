<?php

declare(strict_types=1);

namespace Syndex\Core\Time;

/**
 * Arithmetic of the proleptic Gregorian calendar on plain integers.
 *
 * A day number counts days from 1970-01-01 (day 0, a Thursday). Weekdays run from 0 (Monday) to 6 (Sunday).
 * Integers, not date objects, because expanding a series asks these questions hundreds of thousands of times.
 */
final class Gregorian
{
    public const SECONDS_A_DAY = 86400;

    /** 0001-01-01 and 9999-12-31, the years that a wall time can name. */
    public const FIRST_DAY = -719162;

    public const LAST_DAY = 2932896;

    /** Days before each month of a common year, index 1 to 13. */
    private const BEFORE = [0, 0, 31, 59, 90, 120, 151, 181, 212, 243, 273, 304, 334, 365];

    public static function isLeap(int $year): bool
    {
        return ($year % 4 === 0 && $year % 100 !== 0) || $year % 400 === 0;
    }

    /** @return int<28, 31> */
    public static function daysInMonth(int $year, int $month): int
    {
        return match ($month) {
            2 => self::isLeap($year) ? 29 : 28,
            4, 6, 9, 11 => 30,
            default => 31,
        };
    }

    /** Day number of the first day of a year. */
    public static function yearStart(int $year): int
    {
        $before = $year - 1;

        return $before * 365 + self::floorDiv($before, 4) - self::floorDiv($before, 100) + self::floorDiv($before, 400) - 719162;
    }

    /** Days of the year that lie before a month's first. */
    public static function daysBeforeMonth(int $year, int $month): int
    {
        return self::BEFORE[$month] + ($month > 2 && self::isLeap($year) ? 1 : 0);
    }

    public static function dayNumber(int $year, int $month, int $day): int
    {
        return self::yearStart($year) + self::daysBeforeMonth($year, $month) + $day - 1;
    }

    public static function yearOf(int $dayNumber): int
    {
        $year = self::floorDiv(($dayNumber + 719162) * 400, 146097) + 1;
        if ($dayNumber < self::yearStart($year)) {
            return $year - 1;
        }

        return $dayNumber >= self::yearStart($year + 1) ? $year + 1 : $year;
    }

    /** @return array{int, int, int} year, month (1 to 12), day (1 to 31) */
    public static function civil(int $dayNumber): array
    {
        $year = self::yearOf($dayNumber);
        $ofYear = $dayNumber - self::yearStart($year);
        $month = min(12, intdiv($ofYear, 29) + 1);
        while ($ofYear < self::daysBeforeMonth($year, $month)) {
            $month--;
        }

        return [$year, $month, $ofYear - self::daysBeforeMonth($year, $month) + 1];
    }

    /** @return int 0 to 6, 0 is Monday */
    public static function weekday(int $dayNumber): int
    {
        return self::floorMod($dayNumber + 3, 7);
    }

    public static function floorDiv(int $a, int $b): int
    {
        $quotient = intdiv($a, $b);

        return ($a % $b !== 0 && ($a < 0) !== ($b < 0)) ? $quotient - 1 : $quotient;
    }

    public static function floorMod(int $a, int $b): int
    {
        return $a - self::floorDiv($a, $b) * $b;
    }
}
