<?php

declare(strict_types=1);

namespace Syndex\Core\Sentence;

use Syndex\Core\Recurrence\Frequency;
use Syndex\Core\Recurrence\Rule;
use Syndex\Core\Recurrence\RuleWalk;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Recurrence\Skip;
use Syndex\Core\Recurrence\Until;
use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\PlaceName;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\Zone;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\Time\ZoneLetters;
use Syndex\Core\Work;

/** Makes a series of what was heard, or says why it is none. */
final class HeardSeries
{
    private const USUAL_MINUTES = 30;

    private function __construct(private readonly Heard $heard, private readonly int $today, private readonly ?int $usualTime, private readonly ZoneData $zones, private readonly Work $work) {}

    /**
     * @param  WallTime  $today  its midnight; without a start the first matching date after it counts
     * @param  ?Zone  $zone  where the sentence names none; null: floating
     * @param  ?int  $usualTime  second of the day that stands in where the sentence names none
     *
     * @throws NotUnderstood if what was heard makes no series, or several
     */
    public static function of(Heard $heard, WallTime $today, ?Zone $zone, ?int $usualTime, ZoneData $zones, Work $work): ReadSentence
    {
        return (new self($heard, $today->dayNumber(), $usualTime, $zones, $work))->series($zone, new ZoneLetters($zones));
    }

    private function series(?Zone $zone, ZoneLetters $letters): ReadSentence
    {
        $heard = $this->heard;
        $times = $this->times();
        $rule = $this->rule($times);
        $begin = $this->begin($rule, $times);
        if ($rule !== null && $heard->isQuarterly && $rule->frequency === Frequency::Monthly && $rule->interval === 3) {
            $rule = self::inItsMonths($rule, $begin);
        }
        $zone = $heard->zoneLetters === null ? $zone : $this->byLetters($heard->zoneLetters, $begin, $zone, $letters);
        $end = $this->end($rule, $begin);
        $rule = $rule === null ? null : ($heard->count !== null ? $rule->withCount($heard->count) : $rule->withUntil($end));
        if ($rule === null && ($heard->isOpen || $heard->until !== null || $heard->span !== null || ($heard->count ?? 1) !== 1)) {
            throw $this->heard->refused('end_without_repeat', ['until', 'span', 'count', 'isOpen']);
        }
        $extra = $this->walls($heard->extra, $begin, $times, true);
        $dropped = $this->walls($heard->dropped, $begin, $times, false);
        $series = Series::of($heard->isAllDay, $begin, $heard->isFloating ? null : $zone, $rule, $extra, $dropped);
        if ($rule !== null && $series->withRule($rule)->expand($this->work, limit: 1)->starts === []) {
            throw $this->heard->refused('no_date_left', ['dropped']);
        }

        return new ReadSentence($series, $this->minutes(), $heard->pieces, $heard->isUsualTime);
    }

    /** @return non-empty-list<int> */
    private function times(): array
    {
        $heard = $this->heard;
        $times = $heard->times;
        if ($heard->isAllDay) {
            return $times === [] ? [0] : throw $heard->refused('all_day_and_time', ['isAllDay', 'times']);
        }
        if ($times === [] && $heard->start?->time === null && $heard->until?->time !== null) {
            // "every Tuesday until 24 December at 15:30"
            $times = [$heard->until->time];
            $heard->until = $heard->until->at(null);
        }
        $first = $heard->start?->time;
        if ($first !== null && count($times) === 1 && $times[0] !== $first) {
            throw $heard->refused('two_first_times', ['times', 'start']);
        }
        $times = array_values(array_unique($times === [] && $first !== null ? [$first] : $times));
        sort($times);

        if ($times === [] && $this->usualTime !== null) {
            $heard->isUsualTime = true;

            return [$this->usualTime];
        }

        return $times === [] ? throw $heard->refused('time_missing') : $times;
    }

    private function minutes(): int
    {
        if ($this->heard->isAllDay) {
            return 1440 * ($this->heard->lengthInDays ?? 1);
        }
        if ($this->heard->lengthInDays !== null) {
            throw $this->heard->refused('length_in_days', ['lengthInDays']);
        }

        return $this->heard->minutes ?? self::USUAL_MINUTES;
    }

    /** @param non-empty-list<int> $times */
    private function rule(array $times): ?Rule
    {
        $rule = HeardRule::of($this->heard, $this->today);
        if (count($times) === 1) {
            return $rule;
        }

        return $rule === null || $rule->frequency->secondsBelowADay() !== null ? throw $this->heard->refused('several_times', ['times']) : $this->atTimes($rule, $times);
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
            throw $this->heard->refused('times_no_rule', ['times']);
        }

        return $rule->with(hours: $hours, minutes: count($minutes) > 1 || $minutes !== [0] ? $minutes : [], seconds: count($seconds) > 1 || $seconds !== [0] ? $seconds : []);
    }

    /** @param non-empty-list<int> $times */
    private function begin(?Rule $rule, array $times): WallTime
    {
        $heard = $this->heard;
        $date = $heard->start ?? ($heard->isYearlyDate ? null : $heard->date);
        if ($heard->start !== null && $heard->date !== null && $rule?->frequency !== Frequency::Yearly) {
            throw $this->heard->refused('two_first_dates', ['start', 'date']);
        }
        $time = $heard->start->time ?? $times[0];
        // "every tue wed 9 dec": with both days from then on, or only the Tuesdays? "from wed 9 dec" says which.
        if ($heard->start === null && $date?->weekday !== null && $heard->days !== [] && !in_array($date->weekday, $heard->days, true)) {
            throw NotUnderstood::of($date->quote, 'date_none_of_days');
        }
        $day = $date?->day($this->today) ?? $this->today + 1;
        if ($rule === null) {
            if ($heard->days !== [] && $date === null) {
                while (Gregorian::weekday($day) !== $heard->days[0]) {
                    $day++;
                }
            } elseif ($date === null || $date->day === null) {
                throw $this->heard->refused('day_missing');
            } elseif ($heard->days !== [] && !in_array(Gregorian::weekday($day), $heard->days, true)) {
                throw $this->heard->refused('date_other_weekday', ['days', 'date']);
            }

            return $this->wall($day, $time);
        }
        $least = $this->wall($day, $time);
        if ($rule->skip !== Skip::Omit || $rule->frequency->secondsBelowADay() !== null) {
            return $date === null && $rule->frequency->secondsBelowADay() !== null ? throw $this->heard->refused('start_missing', ['unit']) : $least;
        }
        // Every first date is as good, whatever the interval: it is what the interval is counted from.
        foreach ((new RuleWalk($rule->with(interval: 1), $least, $this->work))->from($least->seconds) as $walls) {
            return WallTime::ofSeconds($walls[0]);
        }

        throw $this->heard->refused('no_date_matches');
    }

    /** Every quarter is said by its months, so that everybody sees which. */
    private static function inItsMonths(Rule $rule, WallTime $begin): Rule
    {
        [, $month] = Gregorian::civil($begin->dayNumber());
        $months = array_map(static fn(int $quarter): int => ($month - 1 + 3 * $quarter) % 12 + 1, range(0, 3));
        sort($months);

        return $rule->with(interval: 1, months: $months);
    }

    /** The zone that letters like "EST" mean on the first date: the sentence's own where its clock goes by them, else the only one. */
    private function byLetters(string $said, WallTime $begin, ?Zone $own, ZoneLetters $letters): Zone
    {
        if ($own !== null && $letters->goesBy($own->id, $said, $own->toUtc($begin->seconds))) {
            return $own;
        }
        $then = array_values(array_filter($letters->zones($said, $begin->seconds), $this->zones->knows(...)));
        if (count($then) === 1) {
            return $this->zones->zone($then[0]);
        }
        $places = $then === [] ? $letters->zones($said, $begin->seconds + 182 * 86400) : $then;

        throw $this->heard->refused($then === [] ? 'letters_not_then' : 'several_letters', ['zoneLetters'], [
            'places' => implode(', ', array_map(PlaceName::of(...), $places)), 'date' => $begin->formatDate(),
        ]);
    }

    private function end(?Rule $rule, WallTime $begin): ?Until
    {
        $heard = $this->heard;
        if (count(array_filter([$heard->count !== null, $heard->until !== null, $heard->span !== null, $heard->isOpen])) > 1) {
            throw $this->heard->refused('two_ends', ['count', 'until', 'span', 'isOpen']);
        }
        if ($heard->until !== null) {
            $day = $heard->until->day($begin->dayNumber(), $heard->isUntilEndOfMonth);
            if ($day < $begin->dayNumber()) {
                throw NotUnderstood::of($heard->until->quote, 'end_before_first', ['date' => $begin->formatDate()]);
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
            throw $this->heard->refused('extra_needs_time', ['extra']);
        }

        return $walls;
    }

    private function wall(int $day, int $time): WallTime
    {
        return $day >= Gregorian::FIRST_DAY && $day <= Gregorian::LAST_DAY ? WallTime::ofSeconds($day * 86400 + $time) : throw $this->heard->refused('outside_years');
    }
}
