<?php

declare(strict_types=1);

namespace Syndex\Core\Sentence;

use Syndex\Core\Recurrence\Frequency;
use Syndex\Core\Recurrence\Rule;
use Syndex\Core\Recurrence\Skip;
use Syndex\Core\Recurrence\WeekdayPick;
use Syndex\Core\Time\Gregorian;

/** The rule in what was heard, or why it has none, or two. */
final readonly class HeardRule
{
    private function __construct(private Heard $heard, private int $today) {}

    /**
     * @param  int  $today  its day number
     * @return ?Rule without times of day and end; null: it is once
     *
     * @throws NotUnderstood
     */
    public static function of(Heard $heard, int $today): ?Rule
    {
        $rule = (new self($heard, $today))->withoutWhatIsLeftOut();
        if ($rule === null || $rule->frequency->secondsBelowADay() !== null) {
            return $rule;
        }

        return Rule::of(
            $rule->frequency,
            $rule->interval,
            days: $rule->days,
            monthDays: $rule->monthDays,
            yearDays: $rule->yearDays,
            weeks: $rule->weeks,
            months: $rule->months,
            positions: $rule->positions,
            weekStart: $heard->weekStart ?? 0,
            skip: $heard->skip ?? Skip::Omit,
        );
    }

    /** "every day except Fridays", "every Tuesday except in August": what is left is a rule of its own. */
    private function withoutWhatIsLeftOut(): ?Rule
    {
        $heard = $this->heard;
        $rule = $this->bare();
        if ($heard->notDays !== []) {
            $days = $rule === null ? [] : array_map(static fn(WeekdayPick $pick): int => $pick->weekday, $rule->days);
            $isPlain = $rule !== null && $rule->monthDays === [] && $rule->positions === [] && $rule->weeks === [] && $heard->numbered === [] && !$heard->isEverySecond;
            $isDaily = $rule?->frequency === Frequency::Daily && $rule->interval === 1;
            if (!$isPlain || !($isDaily || ($rule->frequency === Frequency::Weekly && $days !== []))) {
                throw $heard->refused('days_left_out', ['notDays']);
            }
            $left = array_values(array_diff($isDaily ? range(0, 6) : $days, $heard->notDays));
            if ($left === []) {
                throw $heard->refused('no_date_left', ['notDays']);
            }
            $rule = Rule::of(Frequency::Weekly, $rule->interval, days: self::every($left), months: $rule->months);
        }
        if ($heard->notMonths !== []) {
            if ($rule === null || $rule->months !== [] || $rule->frequency->secondsBelowADay() !== null || $rule->yearDays !== [] || $rule->weeks !== [] || $rule->frequency === Frequency::Yearly) {
                throw $heard->refused('months_left_out', ['notMonths']);
            }
            $rule = $rule->with(months: array_values(array_diff(range(1, 12), $heard->notMonths)));
        }

        return $rule;
    }

    /** "the 1st and 3rd Tuesday": two of them cannot be counted in weeks. */
    private function areOfAMonth(): bool
    {
        return count(array_unique(array_map(static fn(WeekdayPick $pick): int => $pick->nth, $this->heard->numbered))) > 1;
    }

    private function bare(): ?Rule
    {
        $heard = $this->heard;

        return match (true) {
            $heard->weeks !== [] => $this->byWeek(),
            $heard->positions !== [] => $this->byPosition(),
            $heard->numbered !== [] || $heard->isEverySecond => $this->byNumbered(),
            $heard->countedDays !== [] => $this->byCountedDay(),
            $heard->monthDays !== [] => $this->byMonthDay(),
            $heard->days !== [] => $this->byWeekday(),
            $heard->date !== null && ($heard->unit === 'year' || $heard->isYearlyDate) && $heard->date->year === null => $this->byDate($heard->date),
            $heard->unit !== null => $this->byUnit($heard->unit),
            $heard->months !== [] => throw $this->heard->refused('month_without_day', ['months']),
            default => null,
        };
    }

    private function byWeek(): Rule
    {
        $heard = $this->heard;
        $this->allow(['days', 'weeks'], ['year']);

        return Rule::of(Frequency::Yearly, $heard->interval, days: self::every($heard->days), weeks: $heard->weeks);
    }

    private function byPosition(): Rule
    {
        $heard = $this->heard;
        $this->allow(['positions', 'months'], ['month', 'year']);
        $yearly = $heard->unit === 'year' && count($heard->months) < 2;

        return Rule::of($yearly ? Frequency::Yearly : $this->monthly(), $heard->interval, days: self::every($heard->positionDays), positions: $heard->positions, months: $heard->months);
    }

    private function byNumbered(): Rule
    {
        $heard = $this->heard;
        if ($heard->unit === null && $heard->months === [] && !$this->areOfAMonth()) {
            if ($heard->isEverySecond) {
                $this->allow(['numbered', 'days', 'everySecond'], []);

                return Rule::of(Frequency::Weekly, 2, days: self::every([...array_map(static fn(WeekdayPick $p): int => $p->weekday, $heard->numbered), ...$heard->days]));
            }

            throw $this->heard->refused('weeks_or_months', ['numbered']);
        }
        if ($heard->isEverySecond && $heard->unit === null && $heard->months !== []) {
            throw $this->heard->refused('second_or_other', ['numbered']);
        }
        $this->allow(['numbered', 'months', 'everySecond'], ['month', 'year']);

        return Rule::of($heard->unit === 'year' || $heard->months !== [] ? Frequency::Yearly : Frequency::Monthly, $heard->interval, days: $heard->numbered, months: $heard->months);
    }

    private function byCountedDay(): Rule
    {
        $heard = $this->heard;
        $this->allow(['countedDays', 'monthDays', 'months'], ['month', 'year']);
        if ($heard->unit === 'year' && $heard->months === []) {
            return $heard->monthDays === [] ? Rule::of(Frequency::Yearly, $heard->interval, yearDays: $heard->countedDays) : throw $this->heard->refused('days_of_month_and_year', ['monthDays', 'countedDays']);
        }
        $days = [...$heard->monthDays, ...$heard->countedDays];

        return max(0, ...array_map(abs(...), $days)) <= 31
            ? Rule::of($heard->unit === 'year' ? Frequency::Yearly : $this->monthly(), $heard->interval, monthDays: $days, months: $heard->months)
            : throw $this->heard->refused('no_such_day_of_month', ['countedDays', 'monthDays']);
    }

    private function byMonthDay(): Rule
    {
        $heard = $this->heard;
        $this->allow(['monthDays', 'months', 'days'], ['month', 'year']);
        if ($heard->unit === 'year' && $heard->months === []) {
            throw $this->heard->refused('day_without_month', ['monthDays']);
        }

        return Rule::of($heard->unit === 'year' ? Frequency::Yearly : ($heard->days === [] || $heard->unit !== null ? $this->monthly() : Frequency::Monthly), $heard->interval, days: self::every($heard->days), monthDays: $heard->monthDays, months: $heard->months);
    }

    private function byWeekday(): ?Rule
    {
        $heard = $this->heard;
        $this->allow(['days', 'months'], ['day', 'week', 'month', 'year']);
        $days = self::every($heard->days);
        $ends = $heard->until !== null || $heard->span !== null || ($heard->count ?? 1) > 1 || $heard->isOpen;

        return match (true) {
            $heard->isOnce => null,
            $heard->unit === 'day' && ($heard->interval !== 1 || !$heard->daysRepeat) => throw $this->heard->refused('days_and_weekdays', ['unit', 'days']),
            $heard->unit === 'month' && !$heard->isOfUnit, $heard->unit === 'year' && $heard->months === [] && !$heard->isOfUnit => throw $this->heard->refused('weekdays_and_months', ['days', 'unit']),
            $heard->unit === 'month' => Rule::of(Frequency::Monthly, $heard->interval, days: $days, months: $heard->months),
            $heard->unit === 'year' => Rule::of(Frequency::Yearly, $heard->interval, days: $days, months: $heard->months),
            $heard->unit !== null, $heard->daysRepeat, $ends => Rule::of(Frequency::Weekly, $heard->interval, days: $days, months: $heard->months),
            count($days) > 1 => throw $this->heard->refused('several_days_once', ['days']),
            $heard->months !== [] => throw $this->heard->refused('month_and_weekday', ['days', 'months']),
            default => null,
        };
    }

    private function byDate(HeardDate $date): Rule
    {
        $this->allow(['months'], ['year']);
        if ($this->heard->months !== [] || $date->day === null) {
            throw $this->heard->refused('several_months', ['date', 'months']);
        }

        return Rule::of(Frequency::Yearly, $this->heard->interval, monthDays: [$date->day], months: [$date->month]);
    }

    private function byUnit(string $unit): Rule
    {
        $heard = $this->heard;
        $this->allow(['months'], ['second', 'minute', 'hour', 'day', 'week', 'month', 'year']);
        $first = $heard->start ?? $heard->date;
        if (in_array($unit, ['week', 'month', 'year'], true)) {
            if ($first === null || $first->day === null || $heard->months !== []) {
                throw $this->heard->refused('day_of_unit_missing', ['unit'], ['unit' => $unit]);
            }
            $day = $first->day($this->today);
            [, $month, $ofMonth] = Gregorian::civil($day);

            return match ($unit) {
                'week' => Rule::of(Frequency::Weekly, $heard->interval, days: [WeekdayPick::every(Gregorian::weekday($day))]),
                'month' => Rule::of(Frequency::Monthly, $heard->interval, monthDays: [$ofMonth]),
                default => Rule::of(Frequency::Yearly, $heard->interval, monthDays: [$ofMonth], months: [$month]),
            };
        }
        if ($unit === 'day') {
            return Rule::of(Frequency::Daily, $heard->interval, months: $heard->months);
        }
        if ($heard->months !== [] || $heard->isAllDay) {
            throw $this->heard->refused('within_a_day', ['unit', 'months', 'isAllDay']);
        }

        return Rule::of(Frequency::from(strtoupper($unit) . 'LY'), $heard->interval);
    }

    /** Of several months a set of days is counted in each of them. */
    private function monthly(): Frequency
    {
        return $this->heard->unit !== 'month' && $this->heard->months === []
            ? throw $this->heard->refused('which_month', ['monthDays', 'countedDays', 'positions'])
            : Frequency::Monthly;
    }

    /**
     * Refuses whatever was heard beside what belongs together.
     *
     * @param  list<string>  $parts
     * @param  list<string>  $units
     */
    private function allow(array $parts, array $units): void
    {
        $heard = $this->heard;
        $said = [
            'days' => $heard->days !== [], 'numbered' => $heard->numbered !== [], 'positions' => $heard->positions !== [], 'monthDays' => $heard->monthDays !== [],
            'countedDays' => $heard->countedDays !== [], 'weeks' => $heard->weeks !== [], 'months' => $heard->months !== [], 'everySecond' => $heard->isEverySecond,
        ];
        foreach ($said as $part => $isSaid) {
            if ($isSaid && !in_array($part, $parts, true)) {
                throw $this->heard->refused('days_in_two_ways', ['days', 'numbered', 'positions', 'monthDays', 'countedDays', 'weeks', 'date']);
            }
        }
        if ($heard->unit !== null && !in_array($heard->unit, $units, true)) {
            throw $this->heard->refused('repeats_in_two_ways', ['unit', 'days', 'numbered', 'positions', 'monthDays', 'countedDays', 'weeks']);
        }
        if ($heard->isOnce && $heard->unit !== null) {
            throw $this->heard->refused('once_and_repeat', ['isOnce', 'unit']);
        }
        if ($heard->date !== null && $heard->date->year === null && !in_array('months', $parts, true)) {
            throw $this->heard->refused('days_in_two_ways', ['days', 'numbered', 'positions', 'monthDays', 'countedDays', 'weeks', 'date']);
        }
    }

    /**
     * @param  list<int>  $weekdays
     * @return list<WeekdayPick>
     */
    private static function every(array $weekdays): array
    {
        $weekdays = array_values(array_unique($weekdays));
        sort($weekdays);

        return array_map(WeekdayPick::every(...), $weekdays);
    }
}
