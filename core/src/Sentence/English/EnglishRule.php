<?php

declare(strict_types=1);

namespace Syndex\Core\Sentence\English;

use Syndex\Core\Recurrence\Frequency;
use Syndex\Core\Recurrence\Rule;
use Syndex\Core\Recurrence\Skip;
use Syndex\Core\Recurrence\WeekdayPick;

/** Says how often in English: "on the last working day of every month". */
final class EnglishRule
{
    /** @return ?string null for a rule too odd for words */
    public static function words(Rule $plain): ?string
    {
        $text = match ($plain->frequency) {
            Frequency::Yearly => self::yearly($plain),
            Frequency::Monthly => self::monthly($plain),
            Frequency::Weekly => self::weekly($plain),
            Frequency::Daily => $plain->days === [] && $plain->monthDays === [] && $plain->positions === [] ? EnglishWords::every($plain->interval, 'day') . self::inMonths($plain) : null,
            Frequency::Hourly => self::withinADay($plain, 'hour'),
            Frequency::Minutely => self::withinADay($plain, 'minute'),
            Frequency::Secondly => self::withinADay($plain, 'second'),
        };
        $hasTimes = $plain->hours !== [] || $plain->minutes !== [] || $plain->seconds !== [];
        if ($text === null || ($hasTimes && ($plain->positions !== [] || $plain->skip !== Skip::Omit))) {
            return null;
        }

        return $text . match ($plain->skip) {
            Skip::Omit => '',
            Skip::Backward => ', moved back where there is no such day',
            Skip::Forward => ', moved forward where there is no such day',
        } . ($plain->weekStart === 0 ? '' : ', weeks starting on ' . EnglishWords::days([$plain->weekStart]));
    }

    private static function withinADay(Rule $rule, string $unit): ?string
    {
        if ($rule->toText() !== $rule->with(days: [], monthDays: [], months: [], positions: [])->withoutTimesOfDay()->toText() || $rule->yearDays !== [] || $rule->weeks !== []) {
            return null;
        }

        return $rule->interval === 1 ? "every $unit" : "every $rule->interval {$unit}s";
    }

    private static function weekly(Rule $rule): ?string
    {
        if ($rule->positions !== []) {
            return null;
        }
        $weekdays = self::weekdays($rule);
        $text = match (true) {
            $weekdays === [0, 1, 2, 3, 4] => $rule->interval === 1 ? 'every weekday' : EnglishWords::every($rule->interval, 'week') . ' from Monday to Friday',
            $rule->interval === 1, $rule->interval === 2 && count($weekdays) === 1 && $rule->months === [] => EnglishWords::every($rule->interval, EnglishWords::days($weekdays)),
            default => EnglishWords::every($rule->interval, 'week') . ' on ' . EnglishWords::days($weekdays),
        };

        return $text . self::inMonths($rule);
    }

    private static function monthly(Rule $rule): ?string
    {
        $on = self::on($rule);
        if ($on === null || ($rule->months !== [] && $rule->interval !== 1)) {
            return null;
        }

        return $on . ' of ' . ($rule->months === [] ? EnglishWords::every($rule->interval, 'month') : EnglishWords::months($rule->months));
    }

    private static function yearly(Rule $rule): ?string
    {
        $every = EnglishWords::every($rule->interval, 'year') . ' ';
        if ($rule->weeks !== [] || $rule->yearDays !== []) {
            $on = $rule->months === [] && $rule->positions === [] && $rule->monthDays === [] ? self::byNumber($rule) : null;

            return $on === null ? null : $every . $on;
        }
        if ($rule->positions !== [] && count($rule->months) > 1) {
            return null;
        }
        if ($rule->days === [] && $rule->positions === [] && count($rule->monthDays) === 1 && $rule->monthDays[0] > 0 && count($rule->months) === 1) {
            return $every . 'on ' . $rule->monthDays[0] . ' ' . EnglishWords::MONTHS[$rule->months[0]];
        }
        $on = self::on($rule);
        if ($on === null || ($rule->months === [] && ($rule->monthDays !== [] || ($rule->positions === [] && !self::isNumbered($rule))))) {
            return null;
        }

        return $every . $on . ' of ' . ($rule->months === [] ? 'the year' : EnglishWords::months($rule->months));
    }

    /** By week of the year, or by day of the year. */
    private static function byNumber(Rule $rule): ?string
    {
        if ($rule->weeks === []) {
            return $rule->days === [] ? 'on the ' . EnglishWords::listed(array_map(EnglishWords::ordinal(...), $rule->yearDays)) . ' day of the year' : null;
        }
        if ($rule->yearDays !== [] || $rule->days === [] || min(1, ...$rule->weeks) < 1) {
            return null;
        }

        return 'on ' . EnglishWords::days(self::weekdays($rule)) . ' of week ' . EnglishWords::listed(array_map(strval(...), $rule->weeks));
    }

    /** Which days of a month or year. */
    private static function on(Rule $rule): ?string
    {
        if ($rule->positions !== []) {
            return $rule->monthDays === [] && !self::isNumbered($rule) ? 'on the ' . self::ordinals($rule->positions) . ' ' . self::kindOfDay(self::weekdays($rule)) : null;
        }
        if ($rule->days === []) {
            return self::monthDays($rule->monthDays);
        }
        if (self::isNumbered($rule)) {
            return $rule->monthDays === [] ? self::numberedDays($rule) : null;
        }
        $every = 'on every ' . EnglishWords::days(self::weekdays($rule));

        return match (true) {
            $rule->monthDays === [] => $every,
            min(1, ...$rule->monthDays) < 1 => null,
            count($rule->monthDays) > 2 && $rule->monthDays === range(min($rule->monthDays), max($rule->monthDays)) => $every . ' from the ' . EnglishWords::numbered(min($rule->monthDays)) . ' to the ' . EnglishWords::numbered(max($rule->monthDays)),
            default => $every . ' that falls on the ' . EnglishWords::listed(array_map(EnglishWords::numbered(...), $rule->monthDays), 'or'),
        };
    }

    private static function numberedDays(Rule $rule): ?string
    {
        $byDay = [];
        foreach ($rule->days as $pick) {
            if ($pick->nth === 0) {
                return null;
            }
            $byDay[$pick->weekday][] = $pick->nth;
        }
        $said = [];
        foreach ($byDay as $weekday => $nths) {
            usort($nths, self::fromStart(...));
            $said[] = 'the ' . self::ordinals($nths) . ' ' . EnglishWords::DAYS[$weekday];
        }

        return 'on ' . EnglishWords::listed($said);
    }

    /** @param list<int> $days */
    private static function monthDays(array $days): string
    {
        usort($days, self::fromStart(...));
        $numbers = array_map(static fn(int $day): string => $day > 0 ? EnglishWords::numbered($day) : EnglishWords::ordinal($day), $days);

        return 'on the ' . EnglishWords::listed($numbers) . (min(0, ...$days) < 0 ? ' day' : '');
    }

    /** @param list<int> $nths */
    private static function ordinals(array $nths): string
    {
        usort($nths, self::fromStart(...));

        return EnglishWords::listed(array_map(EnglishWords::ordinal(...), $nths));
    }

    /** @param list<int> $weekdays */
    private static function kindOfDay(array $weekdays): string
    {
        return match ($weekdays) {
            [0, 1, 2, 3, 4] => 'working day',
            [5, 6] => 'weekend day',
            [0, 1, 2, 3, 4, 5, 6] => 'day',
            default => EnglishWords::days($weekdays, 'or'),
        };
    }

    private static function inMonths(Rule $rule): string
    {
        return $rule->months === [] ? '' : ' in ' . EnglishWords::months($rule->months);
    }

    /** First to last: what is counted from the end comes after. */
    private static function fromStart(int $a, int $b): int
    {
        return [$a < 0, $a] <=> [$b < 0, $b];
    }

    /** @return list<int> */
    private static function weekdays(Rule $rule): array
    {
        $weekdays = array_map(static fn(WeekdayPick $p): int => $p->weekday, $rule->days);
        sort($weekdays);

        return $weekdays;
    }

    private static function isNumbered(Rule $rule): bool
    {
        return array_filter($rule->days, static fn(WeekdayPick $p): bool => $p->nth !== 0) !== [];
    }
}
