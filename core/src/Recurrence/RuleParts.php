<?php

declare(strict_types=1);

namespace Syndex\Core\Recurrence;

use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\WorkingHours;

/**
 * A rule taken apart, for an editor that makes every rule of RFC 5545 3.3.10 and SKIP of RFC 7529; and back.
 *
 * @phpstan-type Parts array{frequency: string, interval: int, weekStart: string, days: list<array{nth: int, day: string}>,
 *     monthDays: list<int>, yearDays: list<int>, weeks: list<int>, months: list<int>, positions: list<int>, hours: list<int>,
 *     minutes: list<int>, seconds: list<int>, skip: string, end: string, count: int, untilOn: ?string}
 */
final class RuleParts
{
    /** What an editor offers as a number of times when a rule has none. */
    private const USUAL_COUNT = 10;

    /** Lists of numbers that mean something beside each frequency (the table of RFC 5545 3.3.10). */
    public const LISTS = [
        'secondly' => ['monthDays', 'yearDays', 'hours', 'minutes'],
        'minutely' => ['monthDays', 'yearDays', 'positions', 'hours', 'minutes'],
        'hourly' => ['monthDays', 'yearDays', 'positions', 'hours', 'minutes'],
        'daily' => ['monthDays', 'positions', 'hours', 'minutes'],
        'weekly' => ['positions', 'hours', 'minutes'],
        'monthly' => ['monthDays', 'positions', 'hours', 'minutes'],
        'yearly' => ['monthDays', 'yearDays', 'weeks', 'positions', 'hours', 'minutes'],
    ];

    /** Frequencies beside which weekdays may be numbered and days moved. */
    public const NUMBERED = ['monthly', 'yearly'];

    /** What a meeting may be given; a finer rule, from a file, stays until another is chosen. */
    public const OFFERED = ['daily', 'weekly', 'monthly', 'yearly'];

    private const FIELDS = [
        'FREQ' => 'frequency', 'INTERVAL' => 'interval', 'WKST' => 'weekStart', 'BYDAY' => 'days', 'BYMONTHDAY' => 'monthDays', 'BYYEARDAY' => 'yearDays', 'BYWEEKNO' => 'weeks',
        'BYMONTH' => 'months', 'BYSETPOS' => 'positions', 'BYHOUR' => 'hours', 'BYMINUTE' => 'minutes', 'BYSECOND' => 'seconds', 'SKIP' => 'skip', 'COUNT' => 'count', 'UNTIL' => 'untilOn',
    ];

    /**
     * @param  Parts  $parts  days with nth 0 are every such weekday; skip is omit, backward or forward; end is count, until or open
     *
     * @throws InvalidRule naming the part that cannot be
     */
    public static function toRule(array $parts): Rule
    {
        $skip = strtoupper($parts['skip']);
        $text = $skip === Skip::Omit->value ? [] : ['RSCALE=GREGORIAN'];
        $text[] = 'FREQ=' . strtoupper($parts['frequency']);
        $text[] = 'INTERVAL=' . $parts['interval'];
        foreach (['hours', 'minutes', 'seconds', 'monthDays', 'yearDays', 'weeks', 'months', 'positions'] as $field) {
            if ($parts[$field] !== []) {
                $text[] = array_search($field, self::FIELDS, true) . '=' . implode(',', $parts[$field]);
            }
        }
        if ($parts['days'] !== []) {
            $text[] = 'BYDAY=' . implode(',', array_map(static fn(array $d): string => ($d['nth'] === 0 ? '' : $d['nth']) . self::weekday($d['day']), $parts['days']));
        }
        $text[] = 'WKST=' . self::weekday($parts['weekStart']);
        if ($skip !== Skip::Omit->value) {
            $text[] = 'SKIP=' . $skip;
        }
        if ($parts['end'] === 'count') {
            $text[] = 'COUNT=' . $parts['count'];
        } elseif ($parts['end'] === 'until') {
            $text[] = 'UNTIL=' . str_replace('-', '', $parts['untilOn'] ?? '');
        }

        return RuleParser::parse(implode(';', $text));
    }

    /**
     * UNTIL becomes the last day that counts.
     *
     * @return Parts
     */
    public static function fromRule(Rule $rule): array
    {
        return [
            'frequency' => strtolower($rule->frequency->value),
            'interval' => $rule->interval,
            'weekStart' => WorkingHours::DAYS[$rule->weekStart],
            'days' => array_map(static fn(WeekdayPick $p): array => ['nth' => $p->nth, 'day' => WorkingHours::DAYS[$p->weekday]], $rule->days),
            'monthDays' => $rule->monthDays, 'yearDays' => $rule->yearDays, 'weeks' => $rule->weeks, 'months' => $rule->months,
            'positions' => $rule->positions, 'hours' => $rule->hours, 'minutes' => $rule->minutes, 'seconds' => $rule->seconds,
            'skip' => strtolower($rule->skip->value),
            'end' => $rule->count !== null ? 'count' : ($rule->until !== null ? 'until' : 'open'),
            'count' => $rule->count ?? self::USUAL_COUNT,
            'untilOn' => $rule->until === null ? null : WallTime::ofSeconds($rule->until->lastWall(null))->formatDate(),
        ];
    }

    /** Which of the parts an error is about. */
    public static function field(InvalidRule $bad): string
    {
        return self::FIELDS[str_replace('a numbered ', '', $bad->part)] ?? 'frequency';
    }

    private static function weekday(string $day): string
    {
        return strtoupper(substr($day, 0, 2));
    }
}
