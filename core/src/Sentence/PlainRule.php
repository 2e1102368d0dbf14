<?php

declare(strict_types=1);

namespace Syndex\Core\Sentence;

use Syndex\Core\Recurrence\Frequency;
use Syndex\Core\Recurrence\Rule;
use Syndex\Core\Recurrence\Skip;
use Syndex\Core\Recurrence\WeekdayPick;
use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\WallTime;

/**
 * Brings a rule into the plainest form that gives the same dates, so that a sentence has one way to say it: what DTSTART
 * leaves unsaid is written out, "daily on Mondays" is weekly, "monthly in March" is yearly.
 */
final class PlainRule
{
    public static function of(Rule $rule, WallTime $start): Rule
    {
        do {
            $before = $rule;
            $rule = self::step($rule, $start);
        } while ($rule !== $before);

        return self::withoutIdleParts($rule, $start);
    }

    private static function step(Rule $rule, WallTime $start): Rule
    {
        return match ($rule->frequency) {
            Frequency::Yearly => self::yearly($rule, $start),
            Frequency::Monthly => self::monthly($rule, $start),
            Frequency::Weekly => self::weekly($rule, $start),
            Frequency::Daily => self::daily($rule),
            default => $rule,
        };
    }

    private static function yearly(Rule $rule, WallTime $start): Rule
    {
        [, $month, $day] = Gregorian::civil($start->dayNumber());
        $bare = $rule->days === [] && $rule->monthDays === [] && $rule->yearDays === [];
        if ($bare && $rule->weeks !== []) {
            return $rule->with(days: [WeekdayPick::every(Gregorian::weekday($start->dayNumber()))]);
        }
        if ($bare) {
            return $rule->with(monthDays: [$day], months: $rule->months ?: [$month]);
        }
        $whole = $rule->interval === 1 && $rule->yearDays === [] && $rule->weeks === [] && $rule->positions === [] && !self::isNumbered($rule);

        return match (true) {
            $whole && $rule->monthDays === [] => $rule->with(frequency: Frequency::Weekly),
            $whole && $rule->months === [] => $rule->with(frequency: Frequency::Monthly),
            default => $rule,
        };
    }

    private static function monthly(Rule $rule, WallTime $start): Rule
    {
        if ($rule->days === [] && $rule->monthDays === []) {
            return $rule->with(monthDays: [Gregorian::civil($start->dayNumber())[2]]);
        }
        if ($rule->positions !== [] && $rule->monthDays === [] && !self::isNumbered($rule) && count($rule->days) === 7 && max(array_map(abs(...), $rule->positions)) <= 31 && !self::hasTimes($rule)) {
            return $rule->with(days: [], monthDays: $rule->positions, positions: []);
        }
        if ($rule->positions !== [] && $rule->monthDays === [] && count($rule->days) === 1 && !self::isNumbered($rule) && max(array_map(abs(...), $rule->positions)) <= 5 && !self::hasTimes($rule)) {
            $weekday = $rule->days[0]->weekday;

            return $rule->with(days: array_map(static fn(int $nth): WeekdayPick => WeekdayPick::nth($nth, $weekday), $rule->positions), positions: []);
        }
        if ($rule->interval === 1 && $rule->months !== [] && ($rule->positions === [] || count($rule->months) === 1)) {
            return $rule->with(frequency: Frequency::Yearly);
        }
        $everyWeek = $rule->interval === 1 && $rule->months === [] && $rule->monthDays === [] && $rule->positions === [];

        return $everyWeek && !self::isNumbered($rule) ? $rule->with(frequency: Frequency::Weekly) : $rule;
    }

    private static function weekly(Rule $rule, WallTime $start): Rule
    {
        if ($rule->days === []) {
            return $rule->with(days: [WeekdayPick::every(Gregorian::weekday($start->dayNumber()))]);
        }
        if ($rule->interval === 1 && $rule->positions === [] && count($rule->days) === 7) {
            return $rule->with(frequency: Frequency::Daily, days: []);
        }

        return $rule;
    }

    private static function daily(Rule $rule): Rule
    {
        if ($rule->interval !== 1 || $rule->positions !== []) {
            return $rule;
        }

        return match (true) {
            $rule->monthDays !== [] => $rule->with(frequency: Frequency::Monthly),
            $rule->days !== [] => $rule->with(frequency: Frequency::Weekly),
            default => $rule,
        };
    }

    /** WKST where weeks are not counted, and times of day that are the start's own. */
    private static function withoutIdleParts(Rule $rule, WallTime $start): Rule
    {
        $counted = $rule->weeks !== [] || ($rule->frequency === Frequency::Weekly && ($rule->positions !== [] || ($rule->interval > 1 && !self::isOnlyDay($rule, $start))));
        if (!$counted && $rule->weekStart !== 0) {
            $rule = $rule->with(weekStart: 0);
        }
        if ($rule->skip !== Skip::Omit && ($rule->monthDays === [] || max(array_map(abs(...), $rule->monthDays)) <= 28)) {
            $rule = $rule->with(skip: Skip::Omit);
        }
        $second = $start->secondOfDay();

        return $rule->frequency->secondsBelowADay() === null
            && $rule->hours === ($rule->hours === [] ? [] : [intdiv($second, 3600)])
            && $rule->minutes === ($rule->minutes === [] ? [] : [intdiv($second, 60) % 60])
            && $rule->seconds === ($rule->seconds === [] ? [] : [$second % 60])
            ? $rule->withoutTimesOfDay()
            : $rule;
    }

    private static function isOnlyDay(Rule $rule, WallTime $start): bool
    {
        return count($rule->days) === 1 && $rule->days[0]->weekday === Gregorian::weekday($start->dayNumber());
    }

    private static function isNumbered(Rule $rule): bool
    {
        foreach ($rule->days as $pick) {
            if ($pick->nth !== 0) {
                return true;
            }
        }

        return false;
    }

    private static function hasTimes(Rule $rule): bool
    {
        return $rule->hours !== [] || $rule->minutes !== [] || $rule->seconds !== [];
    }
}
