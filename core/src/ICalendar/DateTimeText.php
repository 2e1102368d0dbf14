<?php

declare(strict_types=1);

namespace Syndex\Core\ICalendar;

use Syndex\Core\Time\Gregorian;

/** A DATE or DATE-TIME as it is written (RFC 5545 3.3.4, 3.3.5); which zone it means is decided elsewhere. */
final readonly class DateTimeText
{
    private function __construct(public int $wall, public bool $isDate, public bool $isUtc) {}

    /** @return ?self null where the text is neither, or names a time that cannot be; a leap second is the second before it */
    public static function parse(string $text): ?self
    {
        if (preg_match('/\A(\d{4})(\d\d)(\d\d)(?:T(\d\d)(\d\d)(\d\d)(Z?))?\z/i', trim($text), $m) !== 1) {
            return null;
        }
        [$year, $month, $day] = [(int) $m[1], (int) $m[2], (int) $m[3]];
        if ($year < 1 || $month < 1 || $month > 12 || $day < 1 || $day > Gregorian::daysInMonth($year, $month)) {
            return null;
        }
        $midnight = Gregorian::dayNumber($year, $month, $day) * 86400;
        if (!isset($m[4])) {
            return new self($midnight, true, false);
        }
        [$hour, $minute, $second] = [(int) $m[4], (int) ($m[5] ?? 0), (int) ($m[6] ?? 0)];
        if ($hour > 23 || $minute > 59 || $second > 60) {
            return null;
        }

        return new self($midnight + $hour * 3600 + $minute * 60 + min(59, $second), false, ($m[7] ?? '') !== '');
    }
}
