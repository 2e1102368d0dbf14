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

    /** A number past this many digits would not fit; no calendar needs one. */
    private const MOST_DIGITS = 9;

    /** @throws InvalidRule naming the part and the value that cannot be */
    public static function parse(string $text): Rule
    {
        $parts = self::split($text);
        if (!isset($parts['FREQ'])) {
            throw InvalidRule::badPart('FREQ', '', 'a frequency from SECONDLY to YEARLY');
        }
        $rule = new Rule(
            frequency: Frequency::tryFrom($parts['FREQ']) ?? throw InvalidRule::badPart('FREQ', $parts['FREQ'], 'a frequency from SECONDLY to YEARLY'),
            interval: self::positive('INTERVAL', $parts['INTERVAL'] ?? '1'),
            count: isset($parts['COUNT']) ? self::positive('COUNT', $parts['COUNT']) : null,
            until: isset($parts['UNTIL']) ? self::until($parts['UNTIL']) : null,
            seconds: self::numbers($parts, 'BYSECOND', 0, 60),
            minutes: self::numbers($parts, 'BYMINUTE', 0, 59),
            hours: self::numbers($parts, 'BYHOUR', 0, 23),
            days: self::days($parts['BYDAY'] ?? null),
            monthDays: self::signed($parts, 'BYMONTHDAY', 31),
            yearDays: self::signed($parts, 'BYYEARDAY', 366),
            weeks: self::signed($parts, 'BYWEEKNO', 53),
            months: self::numbers($parts, 'BYMONTH', 1, 12),
            positions: self::signed($parts, 'BYSETPOS', 366),
            weekStart: self::weekday('WKST', $parts['WKST'] ?? 'MO'),
            skip: self::skip($parts),
        );
        self::checkTogether($rule, $parts);

        return $rule;
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

    /**
     * Parts that the standard does not allow together (the notes under the table of RFC 5545 3.3.10).
     *
     * @param  array<string, string>  $parts
     */
    private static function checkTogether(Rule $rule, array $parts): void
    {
        $frequency = 'FREQ=' . $rule->frequency->value;
        if ($rule->count !== null && $rule->until !== null) {
            throw InvalidRule::notTogether('COUNT', 'UNTIL');
        }
        if ($rule->weeks !== [] && $rule->frequency !== Frequency::Yearly) {
            throw InvalidRule::notTogether('BYWEEKNO', $frequency);
        }
        if ($rule->yearDays !== [] && in_array($rule->frequency, [Frequency::Daily, Frequency::Weekly, Frequency::Monthly], true)) {
            throw InvalidRule::notTogether('BYYEARDAY', $frequency);
        }
        if ($rule->monthDays !== [] && $rule->frequency === Frequency::Weekly) {
            throw InvalidRule::notTogether('BYMONTHDAY', $frequency);
        }
        $numbered = array_filter($rule->days, static fn(WeekdayPick $p): bool => $p->nth !== 0) !== [];
        if ($numbered && !in_array($rule->frequency, [Frequency::Monthly, Frequency::Yearly], true)) {
            throw InvalidRule::notTogether('a numbered BYDAY', $frequency);
        }
        if ($numbered && $rule->weeks !== []) {
            throw InvalidRule::notTogether('a numbered BYDAY', 'BYWEEKNO');
        }
        $others = preg_grep('/^BY(?!SETPOS)/', array_keys($parts));
        if ($rule->positions !== [] && ($others === false || $others === [])) {
            throw InvalidRule::alone('BYSETPOS', 'another BY part');
        }
        if (isset($parts['SKIP']) && !isset($parts['RSCALE'])) {
            throw InvalidRule::alone('SKIP', 'RSCALE');
        }
    }

    private static function positive(string $part, string $value): int
    {
        if (preg_match('/\A\d{1,' . self::MOST_DIGITS . '}\z/', $value) !== 1 || (int) $value < 1) {
            throw InvalidRule::badPart($part, $value, 'a whole number from 1 to ' . str_repeat('9', self::MOST_DIGITS));
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
    private static function numbers(array $parts, string $part, int $least, int $most): array
    {
        $numbers = [];
        foreach (isset($parts[$part]) ? explode(',', $parts[$part]) : [] as $text) {
            if (preg_match('/\A\d{1,2}\z/', $text) !== 1 || (int) $text < $least || (int) $text > $most) {
                throw InvalidRule::badPart($part, $text, "numbers from $least to $most");
            }
            $numbers[] = (int) $text;
        }

        return self::sorted($numbers);
    }

    /**
     * @param  array<string, string>  $parts
     * @return list<int>
     */
    private static function signed(array $parts, string $part, int $most): array
    {
        $numbers = [];
        foreach (isset($parts[$part]) ? explode(',', $parts[$part]) : [] as $text) {
            if (preg_match('/\A[+-]?\d{1,3}\z/', $text) !== 1 || (int) $text === 0 || abs((int) $text) > $most) {
                throw InvalidRule::badPart($part, $text, "numbers from 1 to $most or -1 to -$most");
            }
            $numbers[] = (int) $text;
        }

        return self::sorted($numbers);
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
            $pick = $m[1] === '' ? WeekdayPick::every(self::weekday('BYDAY', $m[2])) : WeekdayPick::nth((int) $m[1], self::weekday('BYDAY', $m[2]));
            $picks[$pick->toText()] = $pick;
        }

        return array_values($picks);
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

    /**
     * @param  list<int>  $numbers
     * @return list<int>
     */
    private static function sorted(array $numbers): array
    {
        $numbers = array_values(array_unique($numbers));
        sort($numbers);

        return $numbers;
    }
}
