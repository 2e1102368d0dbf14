<?php

declare(strict_types=1);

namespace Syndex\Core\Recurrence;

use Syndex\Core\Time\Instant;
use Syndex\Core\Time\InvalidTime;
use Syndex\Core\Time\WallTime;

/** Reads the text of an RRULE (RFC 5545 3.3.10, RSCALE and SKIP of RFC 7529), names and values in any letter case. */
final class RuleParser
{
    private const PARTS = [
        'FREQ', 'UNTIL', 'COUNT', 'INTERVAL', 'BYSECOND', 'BYMINUTE', 'BYHOUR', 'BYDAY', 'BYMONTHDAY', 'BYYEARDAY',
        'BYWEEKNO', 'BYMONTH', 'BYSETPOS', 'WKST', 'RSCALE', 'SKIP',
    ];

    /** @throws InvalidRule naming the part and the value that cannot be */
    public static function parse(string $text): Rule
    {
        $parts = self::split($text);
        if (!isset($parts['FREQ'])) {
            throw InvalidRule::badPart('FREQ', '', 'a frequency from SECONDLY to YEARLY');
        }
        if (isset($parts['SKIP']) && !isset($parts['RSCALE'])) {
            throw InvalidRule::alone('SKIP', 'RSCALE');
        }

        return Rule::of(
            frequency: Frequency::tryFrom($parts['FREQ']) ?? throw InvalidRule::badPart('FREQ', $parts['FREQ'], 'a frequency from SECONDLY to YEARLY'),
            interval: self::positive('INTERVAL', $parts['INTERVAL'] ?? '1'),
            count: isset($parts['COUNT']) ? self::positive('COUNT', $parts['COUNT']) : null,
            until: isset($parts['UNTIL']) ? self::until($parts['UNTIL']) : null,
            seconds: self::numbers($parts, 'BYSECOND', 2, 'numbers from 0 to 60'),
            minutes: self::numbers($parts, 'BYMINUTE', 2, 'numbers from 0 to 59'),
            hours: self::numbers($parts, 'BYHOUR', 2, 'numbers from 0 to 23'),
            days: self::days($parts['BYDAY'] ?? null),
            monthDays: self::signed($parts, 'BYMONTHDAY', 31),
            yearDays: self::signed($parts, 'BYYEARDAY', 366),
            weeks: self::signed($parts, 'BYWEEKNO', 53),
            months: self::numbers($parts, 'BYMONTH', 2, 'numbers from 1 to 12'),
            positions: self::signed($parts, 'BYSETPOS', 366),
            weekStart: self::weekday('WKST', $parts['WKST'] ?? 'MO'),
            skip: self::skip($parts),
        );
    }

    /** @return array<string, string> */
    private static function split(string $text): array
    {
        $parts = [];
        foreach (explode(';', strtoupper(trim($text))) as $piece) {
            [$name, $value] = [...explode('=', $piece, 2), ''];
            if (!in_array($name, self::PARTS, true)) {
                throw InvalidRule::unknownPart($piece);
            }
            if (isset($parts[$name])) {
                throw InvalidRule::twice($name);
            }
            $parts[$name] = $value;
        }

        return $parts;
    }

    private static function positive(string $part, string $value): int
    {
        if (preg_match('/\A0*\d{1,10}\z/', $value) !== 1 || (int) $value < 1 || (int) $value > Rule::MOST_NUMBER) {
            throw InvalidRule::badPart($part, $value, 'a whole number from 1 to ' . Rule::MOST_NUMBER);
        }

        return (int) $value;
    }

    private static function until(string $value): Until
    {
        $expected = 'a date, a wall time or a UTC time like 20261208T123000Z';
        if (preg_match('/\A(\d{4})(\d{2})(\d{2})(?:T(\d{2})(\d{2})(\d{2})(Z?))?\z/', $value, $m) !== 1) {
            throw InvalidRule::badPart('UNTIL', $value, $expected);
        }
        try {
            if (!isset($m[4])) {
                return Until::day(WallTime::parseDate("$m[1]-$m[2]-$m[3]"));
            }
            $wall = WallTime::parse("$m[1]-$m[2]-$m[3]T$m[4]:" . ($m[5] ?? '') . ':' . (($m[6] ?? '') === '60' ? '59' : ($m[6] ?? '')));
        } catch (InvalidTime) {
            throw InvalidRule::badPart('UNTIL', $value, $expected);
        }

        return ($m[7] ?? '') === 'Z' ? Until::instant(Instant::ofSeconds($wall->seconds)) : Until::wallTime($wall);
    }

    /**
     * @param  array<string, string>  $parts
     * @return list<int>
     */
    private static function numbers(array $parts, string $part, int $digits, string $expected): array
    {
        $numbers = [];
        foreach (isset($parts[$part]) ? explode(',', $parts[$part]) : [] as $text) {
            if (preg_match('/\A\d{1,' . $digits . '}\z/', $text) !== 1) {
                throw InvalidRule::badPart($part, $text, $expected);
            }
            $numbers[] = (int) $text;
        }

        return $numbers;
    }

    /**
     * @param  array<string, string>  $parts
     * @return list<int>
     */
    private static function signed(array $parts, string $part, int $most): array
    {
        $numbers = [];
        foreach (isset($parts[$part]) ? explode(',', $parts[$part]) : [] as $text) {
            if (preg_match('/\A[+-]?\d{1,3}\z/', $text) !== 1) {
                throw InvalidRule::badPart($part, $text, "numbers from 1 to $most or -1 to -$most");
            }
            $numbers[] = (int) $text;
        }

        return $numbers;
    }

    /** @return list<WeekdayPick> */
    private static function days(?string $value): array
    {
        $picks = [];
        foreach ($value === null ? [] : explode(',', $value) as $text) {
            if (preg_match('/\A([+-]?\d{1,2})?(MO|TU|WE|TH|FR|SA|SU)\z/', $text, $m) !== 1
                || ($m[1] !== '' && ((int) $m[1] === 0 || abs((int) $m[1]) > 53))) {
                throw InvalidRule::badPart('BYDAY', $text, 'weekdays MO to SU, numbered from 1 to 53 or -1 to -53');
            }
            $picks[] = $m[1] === '' ? WeekdayPick::every(self::weekday('BYDAY', $m[2])) : WeekdayPick::nth((int) $m[1], self::weekday('BYDAY', $m[2]));
        }

        return $picks;
    }

    private static function weekday(string $part, string $value): int
    {
        $weekday = array_search($value, WeekdayPick::CODES, true);

        return $weekday === false ? throw InvalidRule::badPart($part, $value, 'a weekday from MO to SU') : $weekday;
    }

    /** @param array<string, string> $parts */
    private static function skip(array $parts): Skip
    {
        if (isset($parts['RSCALE']) && $parts['RSCALE'] !== 'GREGORIAN') {
            throw InvalidRule::badPart('RSCALE', $parts['RSCALE'], 'GREGORIAN');
        }

        return Skip::tryFrom($parts['SKIP'] ?? 'OMIT') ?? throw InvalidRule::badPart('SKIP', $parts['SKIP'] ?? '', 'OMIT, BACKWARD or FORWARD');
    }
}
