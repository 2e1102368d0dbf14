<?php

declare(strict_types=1);

namespace Syndex\Core\Sentence;

use Syndex\Core\Recurrence\Frequency;
use Syndex\Core\Recurrence\Rule;
use Syndex\Core\Recurrence\RuleWalk;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Recurrence\Skip;
use Syndex\Core\Recurrence\Until;
use Syndex\Core\Recurrence\WeekdayPick;
use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\Zone;
use Syndex\Core\Work;

/** Makes a series of what was heard, or says why it is none. */
final class HeardSeries
{
    private const USUAL_MINUTES = 30;

    private const WORK = 500_000;

    private function __construct(private readonly Heard $heard, private readonly string $text, private readonly int $today) {}

    /**
     * @param  string  $text  the whole sentence, for quoting
     * @param  WallTime  $today  its midnight; without a start the first matching date after it counts
     * @param  ?Zone  $zone  where the sentence names none; null: floating
     *
     * @throws NotUnderstood if what was heard makes no series, or several
     */
    public static function of(Heard $heard, string $text, WallTime $today, ?Zone $zone): ReadSentence
    {
        return (new self($heard, $text, $today->dayNumber()))->series($zone);
    }

    private function series(?Zone $zone): ReadSentence
    {
        $heard = $this->heard;
        $times = $this->times();
        $rule = $this->rule($times);
        $begin = $this->begin($rule, $times);
        $end = $this->end($rule, $begin);
        $rule = $rule === null ? null : ($heard->count !== null ? $rule->withCount($heard->count) : $rule->withUntil($end));
        if ($rule === null && ($heard->isOpen || $heard->until !== null || $heard->span !== null || ($heard->count ?? 1) !== 1)) {
            throw $this->refused('it has an end but does not say how often');
        }
        $extra = $this->walls($heard->extra, $begin, $times, true);
        $dropped = $this->walls($heard->dropped, $begin, $times, false);
        $series = $heard->isAllDay ? Series::allDay($begin, $rule, $extra, $dropped) : Series::timed($begin, $heard->isFloating ? null : $zone, $rule, $extra, $dropped);
        if ($rule !== null && $series->withRule($rule)->expand(Work::atMost(self::WORK), limit: 1)->starts === []) {
            throw $this->refused('no date is left of it');
        }

        return new ReadSentence($series, $this->minutes(), $heard->pieces);
    }

    /** @return non-empty-list<int> */
    private function times(): array
    {
        $times = $this->heard->times;
        if ($this->heard->isAllDay) {
            return $times === [] ? [0] : throw $this->refused('it lasts all day and has a time of day');
        }
        if ($times === [] && $this->heard->start?->time === null && $this->heard->until?->time !== null) {
            // "every Tuesday until 24 December at 15:30"
            $times = [$this->heard->until->time];
            $this->heard->until = $this->heard->until->at(null);
        }
        $first = $this->heard->start?->time;
        if ($first !== null && count($times) === 1 && $times[0] !== $first) {
            throw $this->refused('it names two times of day at which to begin');
        }
        $times = array_values(array_unique($times === [] && $first !== null ? [$first] : $times));
        sort($times);

        return $times === [] ? throw $this->refused('a time of day is missing, like "at 15:30"') : $times;
    }

    private function minutes(): int
    {
        if ($this->heard->isAllDay) {
            return 1440 * ($this->heard->lengthInDays ?? 1);
        }
        if ($this->heard->lengthInDays !== null) {
            throw $this->refused('days as a length belong to what lasts all day; say "until" a date for an end');
        }

        return $this->heard->minutes ?? self::USUAL_MINUTES;
    }

    /** @param non-empty-list<int> $times */
    private function rule(array $times): ?Rule
    {
        $rule = $this->bare();
        if ($rule === null || $rule->frequency->secondsBelowADay() !== null) {
            return count($times) > 1 ? throw $this->refused('there are several times of day') : $rule;
        }
        $rule = Rule::of(
            $rule->frequency,
            $rule->interval,
            days: $rule->days,
            monthDays: $rule->monthDays,
            yearDays: $rule->yearDays,
            weeks: $rule->weeks,
            months: $rule->months,
            positions: $rule->positions,
            weekStart: $this->heard->weekStart ?? 0,
            skip: $this->heard->skip ?? Skip::Omit,
        );

        return count($times) === 1 ? $rule : $this->atTimes($rule, $times);
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
            $heard->months !== [] => throw $this->refused('it names a month but no day'),
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
        if ($heard->unit === null && $heard->months === []) {
            if ($heard->isEverySecond) {
                $this->allow(['numbered', 'days', 'everySecond'], []);

                return Rule::of(Frequency::Weekly, 2, days: self::every([...array_map(static fn(WeekdayPick $p): int => $p->weekday, $heard->numbered), ...$heard->days]));
            }

            throw $this->refused('it may be counted in weeks or in months; say "every third week on Monday" or "on the third Monday of every month"');
        }
        if ($heard->isEverySecond && $heard->unit === null) {
            throw $this->refused('it may be the second or every other one; say "on the second Tuesday of March" or the like');
        }
        $this->allow(['numbered', 'months', 'everySecond'], ['month', 'year']);

        return Rule::of($heard->unit === 'year' || $heard->months !== [] ? Frequency::Yearly : Frequency::Monthly, $heard->interval, days: $heard->numbered, months: $heard->months);
    }

    private function byCountedDay(): Rule
    {
        $heard = $this->heard;
        $this->allow(['countedDays', 'monthDays', 'months'], ['month', 'year']);
        if ($heard->unit === 'year' && $heard->months === []) {
            return $heard->monthDays === [] ? Rule::of(Frequency::Yearly, $heard->interval, yearDays: $heard->countedDays) : throw $this->refused('it names days of the month and of the year');
        }
        $days = [...$heard->monthDays, ...$heard->countedDays];

        return max(0, ...array_map(abs(...), $days)) <= 31
            ? Rule::of($heard->unit === 'year' ? Frequency::Yearly : $this->monthly(), $heard->interval, monthDays: $days, months: $heard->months)
            : throw $this->refused('no month has so many days');
    }

    private function byMonthDay(): Rule
    {
        $heard = $this->heard;
        $this->allow(['monthDays', 'months', 'days'], ['month', 'year']);
        if ($heard->unit === 'year' && $heard->months === []) {
            throw $this->refused('it names a day but no month of the year');
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
            $heard->unit === 'day' && ($heard->interval !== 1 || !$heard->daysRepeat) => throw $this->refused('it names both days and weekdays'),
            $heard->unit === 'month' && !$heard->isOfUnit, $heard->unit === 'year' && $heard->months === [] && !$heard->isOfUnit => throw $this->refused('it names both weekdays and months'),
            $heard->unit === 'month' => Rule::of(Frequency::Monthly, $heard->interval, days: $days, months: $heard->months),
            $heard->unit === 'year' => Rule::of(Frequency::Yearly, $heard->interval, days: $days, months: $heard->months),
            $heard->unit !== null, $heard->daysRepeat, $ends => Rule::of(Frequency::Weekly, $heard->interval, days: $days, months: $heard->months),
            count($days) > 1 => throw $this->refused('it names several days; say "every" before them if it repeats'),
            $heard->months !== [] => throw $this->refused('it names a month and a weekday; say "every" before it if it repeats'),
            default => null,
        };
    }

    private function byDate(HeardDate $date): Rule
    {
        $this->allow(['months'], ['year']);
        if ($this->heard->months !== [] || $date->day === null) {
            throw $this->refused('it names several months');
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
                throw $this->refused("it does not say on which day of the $unit");
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
            throw $this->refused('it repeats within a day');
        }

        return Rule::of(Frequency::from(strtoupper($unit) . 'LY'), $heard->interval);
    }

    /** Of several months a set of days is counted in each of them. */
    private function monthly(): Frequency
    {
        return $this->heard->unit !== 'month' && $this->heard->months === []
            ? throw $this->refused('it does not say of which month; say "of every month"')
            : Frequency::Monthly;
    }

    /**
     * Times of day as BYHOUR, BYMINUTE and BYSECOND, which can say every hour with every minute only.
     *
     * @param  non-empty-list<int>  $times
     */
    private function atTimes(Rule $rule, array $times): Rule
    {
        $hours = array_values(array_unique(array_map(static fn(int $t): int => intdiv($t, 3600), $times)));
        $minutes = array_values(array_unique(array_map(static fn(int $t): int => intdiv($t, 60) % 60, $times)));
        $seconds = array_values(array_unique(array_map(static fn(int $t): int => $t % 60, $times)));
        sort($minutes);
        sort($seconds);
        if (count($hours) * count($minutes) * count($seconds) !== count($times)) {
            throw $this->refused('these times of day are no rule; plan a series for each');
        }

        return $rule->with(hours: $hours, minutes: count($minutes) > 1 || $minutes !== [0] ? $minutes : [], seconds: count($seconds) > 1 || $seconds !== [0] ? $seconds : []);
    }

    /** @param non-empty-list<int> $times */
    private function begin(?Rule $rule, array $times): WallTime
    {
        $heard = $this->heard;
        $date = $heard->start ?? ($heard->isYearlyDate ? null : $heard->date);
        if ($heard->start !== null && $heard->date !== null && $rule?->frequency !== Frequency::Yearly) {
            throw $this->refused('it names two dates on which to begin');
        }
        $time = $heard->start->time ?? $times[0];
        // "every tue wed 9 dec": with both days from then on, or only the Tuesdays? "from wed 9 dec" says which.
        if ($heard->start === null && $date?->weekday !== null && $heard->days !== [] && !in_array($date->weekday, $heard->days, true)) {
            throw NotUnderstood::words($date->quote, 'it is none of the days before it; say "from" if the series begins then');
        }
        $day = $date?->day($this->today) ?? $this->today + 1;
        if ($rule === null) {
            if ($heard->days !== [] && $date === null) {
                while (Gregorian::weekday($day) !== $heard->days[0]) {
                    $day++;
                }
            } elseif ($date === null || $date->day === null) {
                throw $this->refused('it does not say on which day');
            } elseif ($heard->days !== [] && !in_array(Gregorian::weekday($day), $heard->days, true)) {
                throw $this->refused('the date is another day of the week');
            }

            return $this->wall($day, $time);
        }
        $least = $this->wall($day, $time);
        if ($rule->skip !== Skip::Omit || $rule->frequency->secondsBelowADay() !== null) {
            return $date === null && $rule->frequency->secondsBelowADay() !== null ? throw $this->refused('it does not say from when on') : $least;
        }
        // Every first date is as good, whatever the interval: it is what the interval is counted from.
        foreach ((new RuleWalk($rule->with(interval: 1), $least, Work::atMost(self::WORK)))->from($least->seconds) as $walls) {
            return WallTime::ofSeconds($walls[0]);
        }

        throw $this->refused('no date matches it');
    }

    private function end(?Rule $rule, WallTime $begin): ?Until
    {
        $heard = $this->heard;
        if (count(array_filter([$heard->count !== null, $heard->until !== null, $heard->span !== null, $heard->isOpen])) > 1) {
            throw $this->refused('it has two ends');
        }
        if ($heard->until !== null) {
            $day = $heard->until->day($begin->dayNumber(), $heard->isUntilEndOfMonth);
            if ($day < $begin->dayNumber()) {
                throw NotUnderstood::words($heard->until->quote, 'it lies before the first date, ' . $begin->formatDate());
            }

            return $heard->until->time === null ? Until::day($this->wall($day, 0)) : Until::wallTime($this->wall($day, $heard->until->time));
        }
        if ($heard->span === null || $rule === null) {
            return null;
        }
        [$number, $unit] = $heard->span;
        [$year, $month, $day] = Gregorian::civil($begin->dayNumber());
        if ($unit === 'week') {
            return Until::day($this->wall($begin->dayNumber() + 7 * $number - 1, 0));
        }
        $index = $year * 12 + $month - 1 + ($unit === 'year' ? 12 * $number : $number);
        $length = Gregorian::daysInMonth(intdiv($index, 12), $index % 12 + 1);

        return Until::day($this->wall(Gregorian::dayNumber(intdiv($index, 12), $index % 12 + 1, min($day, $length)) - ($day > $length ? 0 : 1), 0));
    }

    /**
     * @param  list<HeardDate>  $dates
     * @param  non-empty-list<int>  $times
     * @return list<WallTime>
     */
    private function walls(array $dates, WallTime $begin, array $times, bool $isExtra): array
    {
        $walls = [];
        foreach ($dates as $date) {
            foreach ($date->time === null && !$isExtra ? $times : [$times[0]] as $time) {
                $walls[] = $date->wall($begin->dayNumber(), $time);
            }
        }
        if ($isExtra && count($times) > 1 && array_filter($dates, static fn(HeardDate $d): bool => $d->time === null) !== []) {
            throw $this->refused('an extra date needs its time of day');
        }

        return $walls;
    }

    private function wall(int $day, int $time): WallTime
    {
        return $day >= Gregorian::FIRST_DAY && $day <= Gregorian::LAST_DAY ? WallTime::ofSeconds($day * 86400 + $time) : throw $this->refused('it lies outside the years 1 to 9999');
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
                throw $this->refused('it names days in two ways');
            }
        }
        if ($heard->unit !== null && !in_array($heard->unit, $units, true)) {
            throw $this->refused('it says how often in two ways');
        }
        if ($heard->isOnce && $heard->unit !== null) {
            throw $this->refused('it is to be once and to repeat');
        }
        if ($heard->date !== null && $heard->date->year === null && !in_array('months', $parts, true)) {
            throw $this->refused('it names days in two ways');
        }
    }

    private function refused(string $reason): NotUnderstood
    {
        return NotUnderstood::words($this->text, $reason);
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
