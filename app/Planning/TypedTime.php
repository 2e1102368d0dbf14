<?php

declare(strict_types=1);

namespace App\Planning;

use Illuminate\Validation\ValidationException;
use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\InvalidTime;
use Syndex\Core\Time\WallTime;

/** A wall time as a browser sends it, of a year in which meetings are planned; the zone data know no clocks of before. */
final class TypedTime
{
    private const FIRST_YEAR = 1970;

    private const LAST_YEAR = 9990;

    /** @throws ValidationException with the field's name */
    public static function of(string $field, string $text, bool $isDate = false): WallTime
    {
        try {
            $wall = $isDate ? WallTime::parseDate(substr($text, 0, 10)) : WallTime::parse($text);
        } catch (InvalidTime) {
            throw ValidationException::withMessages([$field => __('planning.unreadable_time')]);
        }
        $year = Gregorian::yearOf($wall->dayNumber());

        return $year >= self::FIRST_YEAR && $year <= self::LAST_YEAR ? $wall : throw ValidationException::withMessages([$field => __('planning.out_of_calendar')]);
    }
}
