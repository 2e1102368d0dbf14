<?php

declare(strict_types=1);

namespace Syndex\Core\Sentence\English;

use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\WallTime;

/** The words of which English sentences about times are made. */
final class EnglishWords
{
    public const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

    public const MONTHS = [1 => 'January', 'February', 'March', 'April', 'May', 'June', 'July', 'August', 'September', 'October', 'November', 'December'];

    public const ORDINALS = [1 => 'first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth', 'ninth', 'tenth'];

    public const NUMBERS = [1 => 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve'];

    /** "8 December 2026" */
    public static function date(WallTime $wall): string
    {
        [$year, $month, $day] = Gregorian::civil($wall->dayNumber());

        return $day . ' ' . self::MONTHS[$month] . ' ' . sprintf('%04d', $year);
    }

    /** "Tuesday 8 December 2026" */
    public static function weekdayAndDate(WallTime $wall): string
    {
        return self::DAYS[Gregorian::weekday($wall->dayNumber())] . ' ' . self::date($wall);
    }

    /** "15:30", and the seconds only where there are some. */
    public static function clock(WallTime $wall): string
    {
        return $wall->seconds % 60 === 0 ? $wall->formatClock() : substr($wall->format(), 11);
    }

    public static function length(int $minutes): string
    {
        if ($minutes < 60 || ($minutes < 120 && $minutes % 60 !== 0)) {
            return $minutes === 1 ? '1 minute' : "$minutes minutes";
        }
        $hours = intdiv($minutes, 60);
        $text = $hours === 1 ? '1 hour' : "$hours hours";

        return $minutes % 60 === 0 ? $text : $text . ' and ' . self::length($minutes % 60);
    }

    /** "every Tuesday", "every second week", "every 12th month" */
    public static function every(int $interval, string $what): string
    {
        return match (true) {
            $interval === 1 => "every $what",
            isset(self::ORDINALS[$interval]) => 'every ' . self::ORDINALS[$interval] . " $what",
            default => 'every ' . self::numbered($interval) . " $what",
        };
    }

    /** "first", "20th", "last", "third to last" */
    public static function ordinal(int $nth): string
    {
        return match (true) {
            $nth === -1 => 'last',
            $nth < 0 => (self::ORDINALS[-$nth] ?? self::numbered(-$nth)) . ' to last',
            default => self::ORDINALS[$nth] ?? self::numbered($nth),
        };
    }

    /** "8th" */
    public static function numbered(int $number): string
    {
        $tail = in_array($number % 100, [11, 12, 13], true) ? 'th' : match ($number % 10) {
            1 => 'st', 2 => 'nd', 3 => 'rd', default => 'th',
        };

        return $number . $tail;
    }

    /** @param list<string> $names */
    public static function listed(array $names, string $and = 'and'): string
    {
        $last = array_pop($names);

        return $names === [] ? (string) $last : implode(', ', $names) . " $and " . $last;
    }

    /** @param list<int> $months */
    public static function months(array $months): string
    {
        return self::listed(array_map(static fn(int $month): string => self::MONTHS[$month], $months));
    }

    /** @param list<int> $weekdays 0 is Monday */
    public static function days(array $weekdays, string $and = 'and'): string
    {
        return self::listed(array_map(static fn(int $day): string => self::DAYS[$day], $weekdays), $and);
    }
}
