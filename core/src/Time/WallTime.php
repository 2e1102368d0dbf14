<?php

declare(strict_types=1);

namespace Syndex\Core\Time;

/**
 * What a clock on the wall and the calendar beside it show, with no zone: seconds counted as if the place were at UTC.
 *
 * Years 1 to 9999. A date (all-day) is the wall time of its midnight.
 */
final readonly class WallTime
{
    private function __construct(public int $seconds) {}

    public static function ofSeconds(int $seconds): self
    {
        $day = Gregorian::floorDiv($seconds, Gregorian::SECONDS_A_DAY);

        return $day >= Gregorian::FIRST_DAY && $day <= Gregorian::LAST_DAY
            ? new self($seconds)
            : throw InvalidTime::unreadable('a year from 1 to 9999', (string) Gregorian::yearOf($day));
    }

    public static function of(int $year, int $month, int $day, int $hour = 0, int $minute = 0, int $second = 0): self
    {
        return self::parse(sprintf('%04d-%02d-%02dT%02d:%02d:%02d', $year, $month, $day, $hour, $minute, $second));
    }

    /**
     * Reads "2026-12-08T15:30:00": seconds always, no fraction, no leap second, no 24:00:00.
     *
     * @throws InvalidTime if the text has another form or names a time that cannot be
     */
    public static function parse(string $text): self
    {
        if (preg_match('/\A(\d{4}-\d{2}-\d{2})T([01]\d|2[0-3]):([0-5]\d):([0-5]\d)\z/', $text, $m) !== 1) {
            throw InvalidTime::unreadable('a wall time like 2026-12-08T15:30:00', $text);
        }

        return new self(self::dayOf($m[1], 'a wall time like 2026-12-08T15:30:00', $text) * Gregorian::SECONDS_A_DAY
            + (int) $m[2] * 3600 + (int) $m[3] * 60 + (int) $m[4]);
    }

    /**
     * Reads a date, "2026-12-08", as its midnight.
     *
     * @throws InvalidTime if the text has another form or names a day that cannot be
     */
    public static function parseDate(string $text): self
    {
        return new self(self::dayOf($text, 'a date like 2026-12-08', $text) * Gregorian::SECONDS_A_DAY);
    }

    public function dayNumber(): int
    {
        return Gregorian::floorDiv($this->seconds, Gregorian::SECONDS_A_DAY);
    }

    /** @return int 0 to 86399 */
    public function secondOfDay(): int
    {
        return Gregorian::floorMod($this->seconds, Gregorian::SECONDS_A_DAY);
    }

    public function plusSeconds(int $seconds): self
    {
        return self::ofSeconds($this->seconds + $seconds);
    }

    /** "2026-12-08T15:30:00" */
    public function format(): string
    {
        return $this->formatDate() . sprintf('T%02d:%02d:%02d', intdiv($this->secondOfDay(), 3600), intdiv($this->secondOfDay(), 60) % 60, $this->secondOfDay() % 60);
    }

    /** "2026-12-08" */
    public function formatDate(): string
    {
        return vsprintf('%04d-%02d-%02d', Gregorian::civil($this->dayNumber()));
    }

    /** "15:30" */
    public function formatClock(): string
    {
        return substr($this->format(), 11, 5);
    }

    private static function dayOf(string $date, string $expected, string $whole): int
    {
        if (preg_match('/\A(\d{4})-(\d{2})-(\d{2})\z/', $date, $m) !== 1) {
            throw InvalidTime::unreadable($expected, $whole);
        }
        [$year, $month, $day] = [(int) $m[1], (int) $m[2], (int) $m[3]];
        if ($year < 1 || $month < 1 || $month > 12 || $day < 1 || $day > Gregorian::daysInMonth($year, $month)) {
            throw InvalidTime::unreadable($expected, $whole);
        }

        return Gregorian::dayNumber($year, $month, $day);
    }
}
