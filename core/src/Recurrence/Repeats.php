<?php

declare(strict_types=1);

namespace Syndex\Core\Recurrence;

use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\InvalidTime;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\WorkingHours;

/**
 * How often, as the plan sheet asks it; each choice is one rule of RFC 5545, and back.
 *
 * @phpstan-type Form array{every: 'day'|'week'|'month'|'year', interval: int, days: list<string>, monthBy: 'date'|'weekday'|'workingDay',
 *     monthDay: int, nth: int, weekday: string, end: 'count'|'until'|'open', count: int, untilOn: ?string}
 */
final class Repeats
{
    private const MOST_COUNT = 1000;

    /** What a series has where nothing else is said. */
    private const USUAL_COUNT = 10;

    private const WORKING_DAYS = [0, 1, 2, 3, 4];

    /**
     * @param  Form  $form
     *
     * @throws InvalidRepeats naming the field that cannot be
     */
    public static function toRule(array $form): Rule
    {
        if ($form['interval'] < 1 || $form['interval'] > 99) {
            throw InvalidRepeats::field('interval', 'a number from 1 to 99');
        }
        $rule = match ($form['every']) {
            'day' => Rule::of(Frequency::Daily, $form['interval']),
            'week' => Rule::of(Frequency::Weekly, $form['interval'], days: self::weekdays($form['days'])),
            'month' => self::monthly($form),
            'year' => Rule::of(Frequency::Yearly, $form['interval']),
        };

        return match ($form['end']) {
            'count' => $form['count'] >= 1 && $form['count'] <= self::MOST_COUNT
                ? $rule->withCount($form['count'])
                : throw InvalidRepeats::field('count', 'a number from 1 to ' . self::MOST_COUNT),
            'until' => $rule->withUntil(Until::day(self::day($form['untilOn'] ?? ''))),
            'open' => $rule,
        };
    }

    /** @return ?Form null where the sheet has no words for the rule */
    public static function fromRule(Rule $rule, WallTime $start): ?array
    {
        $picks = $rule->days;
        $isLastWorkingDay = self::isLastWorkingDay($rule);
        $plain = ($rule->positions === [] || $isLastWorkingDay) && $rule->weeks === [] && $rule->yearDays === [] && $rule->months === [] && $rule->hours === [] && $rule->minutes === [] && $rule->seconds === [];
        $weekdays = array_map(static fn(WeekdayPick $p): string => WorkingHours::DAYS[$p->weekday], $picks);
        $fits = $plain && match ($rule->frequency) {
            Frequency::Daily, Frequency::Yearly => $picks === [] && $rule->monthDays === [],
            Frequency::Weekly => true,
            Frequency::Monthly => $isLastWorkingDay || count($picks) + count($rule->monthDays) <= 1 && ($picks === [] || $picks[0]->nth !== 0),
            default => false,
        };
        if (!$fits) {
            return null;
        }
        $startDay = (int) substr($start->formatDate(), 8, 2);
        $startWeekday = WorkingHours::DAYS[Gregorian::weekday($start->dayNumber())];

        return [
            'every' => match ($rule->frequency) {
                Frequency::Daily => 'day', Frequency::Weekly => 'week', Frequency::Monthly => 'month', default => 'year',
            },
            'interval' => $rule->interval,
            'days' => $rule->frequency === Frequency::Weekly ? ($weekdays ?: [$startWeekday]) : [],
            'monthBy' => match (true) {
                $isLastWorkingDay => 'workingDay',
                $rule->frequency === Frequency::Monthly && $picks !== [] => 'weekday',
                default => 'date',
            },
            'monthDay' => $rule->monthDays[0] ?? $startDay,
            'nth' => $rule->frequency === Frequency::Monthly && $picks !== [] && !$isLastWorkingDay ? $picks[0]->nth : intdiv($startDay - 1, 7) + 1,
            'weekday' => $rule->frequency === Frequency::Monthly && $picks !== [] && !$isLastWorkingDay ? $weekdays[0] : $startWeekday,
            'end' => $rule->count !== null ? 'count' : ($rule->until !== null ? 'until' : 'open'),
            'count' => $rule->count ?? self::USUAL_COUNT,
            'untilOn' => $rule->until === null ? null : WallTime::ofSeconds($rule->until->lastWall(null))->formatDate(),
        ];
    }

    /** What a single meeting becomes when it is to be repeated: the same weekday each week. */
    public static function usual(WallTime $start): Rule
    {
        return Rule::of(Frequency::Weekly, 1, days: [WeekdayPick::every(Gregorian::weekday($start->dayNumber()))])->withCount(self::USUAL_COUNT);
    }

    /** "the last working day of every month" */
    private static function isLastWorkingDay(Rule $rule): bool
    {
        return $rule->frequency === Frequency::Monthly && $rule->positions === [-1] && $rule->monthDays === []
            && array_map(static fn(WeekdayPick $p): array => [$p->nth, $p->weekday], $rule->days) === array_map(static fn(int $day): array => [0, $day], self::WORKING_DAYS);
    }

    /** @param Form $form */
    private static function monthly(array $form): Rule
    {
        if ($form['monthBy'] === 'workingDay') {
            return Rule::of(Frequency::Monthly, $form['interval'], days: array_map(WeekdayPick::every(...), self::WORKING_DAYS), positions: [-1]);
        }
        if ($form['monthBy'] === 'weekday') {
            if (!in_array($form['nth'], [1, 2, 3, 4, 5, -1], true)) {
                throw InvalidRepeats::field('nth', 'first to fifth or last');
            }

            return Rule::of(Frequency::Monthly, $form['interval'], days: [WeekdayPick::nth($form['nth'], self::weekdays([$form['weekday']])[0]->weekday)]);
        }
        if ($form['monthDay'] !== -1 && ($form['monthDay'] < 1 || $form['monthDay'] > 31)) {
            throw InvalidRepeats::field('monthDay', 'a day from 1 to 31, or the last');
        }

        return Rule::of(Frequency::Monthly, $form['interval'], monthDays: [$form['monthDay']]);
    }

    /**
     * @param  list<string>  $days
     * @return list<WeekdayPick>
     */
    private static function weekdays(array $days): array
    {
        $picks = [];
        foreach (WorkingHours::DAYS as $weekday => $name) {
            if (in_array($name, $days, true)) {
                $picks[] = WeekdayPick::every($weekday);
            }
        }

        return $picks === [] ? throw InvalidRepeats::field('days', 'a weekday at least') : $picks;
    }

    private static function day(string $date): WallTime
    {
        try {
            return WallTime::parseDate($date);
        } catch (InvalidTime) {
            throw InvalidRepeats::field('untilOn', 'a date');
        }
    }
}
