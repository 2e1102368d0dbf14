<?php

declare(strict_types=1);

namespace App\Planning;

use App\Access\KnownZone;
use Illuminate\Contracts\Validation\Validator;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Syndex\Core\Recurrence\InvalidRepeats;
use Syndex\Core\Recurrence\InvalidRule;
use Syndex\Core\Recurrence\Repeats;
use Syndex\Core\Recurrence\Rule as RecurrenceRule;
use Syndex\Core\Recurrence\RuleParts;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\InvalidTime;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\Zone;
use Syndex\Core\Time\ZoneData;

/** When and how often, as the browser sends it: the plain form of how it repeats, or the rule by its parts, or neither. */
class SeriesRequest extends FormRequest
{
    private const MOST_MINUTES = 1440;

    private const MOST_DAYS = 31;

    /** Years in which meetings are planned; the zone data know no clocks of before. */
    private const FIRST_YEAR = 1970;

    private const LAST_YEAR = 9990;

    /** Characters of a rule's text that the table takes. */
    private const LISTS = ['monthDays', 'yearDays', 'weeks', 'months', 'positions', 'hours', 'minutes', 'seconds'];

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'startLocal' => ['required', 'string'],
            'zone' => ['required', 'string'],
            'allDay' => ['required', 'boolean'],
            'durationMinutes' => ['required', 'integer', 'min:5', 'multiple_of:5', 'max:' . self::MOST_DAYS * 1440],
            'repeats' => ['present', 'nullable', 'array'],
            'custom' => ['sometimes', 'nullable', 'array'],
            'dropped' => ['present', 'array', 'max:1000'],
            'dropped.*' => ['string'],
            'extra' => ['sometimes', 'array', 'max:1000'],
            'extra.*' => ['string'],
            ...(is_array($this->input('repeats')) ? self::repeatsRules() : []),
            ...(is_array($this->input('custom')) ? self::customRules() : []),
        ];
    }

    /** @return array<string, mixed> */
    private static function repeatsRules(): array
    {
        return [
            'repeats.every' => ['required', Rule::in(['day', 'week', 'month', 'year'])],
            'repeats.interval' => ['required', 'integer'],
            'repeats.days' => ['present', 'array'],
            'repeats.days.*' => ['string'],
            'repeats.monthBy' => ['required', Rule::in(['date', 'weekday', 'workingDay'])],
            'repeats.monthDay' => ['required', 'integer'],
            'repeats.nth' => ['required', 'integer'],
            'repeats.weekday' => ['required', 'string'],
            'repeats.end' => ['required', Rule::in(['count', 'until', 'open'])],
            'repeats.count' => ['required', 'integer'],
            'repeats.untilOn' => ['present', 'nullable', 'string'],
        ];
    }

    /** @return array<string, mixed> */
    private static function customRules(): array
    {
        $lists = [];
        foreach (self::LISTS as $list) {
            $lists["custom.$list"] = ['present', 'array', 'max:366'];
            $lists["custom.$list.*"] = ['integer'];
        }

        return [
            'custom.frequency' => ['required', Rule::in(['secondly', 'minutely', 'hourly', 'daily', 'weekly', 'monthly', 'yearly'])],
            'custom.interval' => ['required', 'integer'],
            'custom.weekStart' => ['required', 'string'],
            'custom.days' => ['present', 'array', 'max:400'],
            'custom.days.*.nth' => ['required', 'integer'],
            'custom.days.*.day' => ['required', 'string'],
            'custom.skip' => ['required', Rule::in(['omit', 'backward', 'forward'])],
            'custom.end' => ['required', Rule::in(['count', 'until', 'open'])],
            'custom.count' => ['required', 'integer'],
            'custom.untilOn' => ['present', 'nullable', 'string'],
            ...$lists,
        ];
    }

    public function durationMinutes(): int
    {
        $allDay = $this->boolean('allDay');
        $duration = $this->integer('durationMinutes');
        if ($allDay ? $duration % 1440 !== 0 : $duration > self::MOST_MINUTES) {
            $this->fail('durationMinutes', __($allDay ? 'planning.whole_days' : 'planning.a_day_at_most'));
        }

        return $duration;
    }

    public function series(ZoneData $zones): Series
    {
        $zone = $this->zone($zones);
        $allDay = $this->boolean('allDay');
        $rule = $this->rule();
        $start = $this->wall('startLocal', $this->string('startLocal')->toString(), $allDay);
        $dropped = $rule === null ? [] : $this->walls('dropped', $allDay);
        $extra = $this->walls('extra', $allDay);
        try {
            return Series::of($allDay, $start, $zone, $rule, $extra, $dropped);
        } catch (InvalidRule $bad) {
            $this->fail('custom.' . RuleParts::field($bad), __('planning.days_repeat_by_days'));
        }
    }

    public function zone(ZoneData $zones): Zone
    {
        $id = $this->string('zone')->toString();

        return KnownZone::is($id, $zones) ? $zones->zone($id) : $this->fail('zone', __('planning.unknown_zone'));
    }

    private function rule(): ?RecurrenceRule
    {
        $rule = $this->ruleAsked();
        if (strlen($rule?->toText() ?? '') > SheetLimits::RULE) {
            $this->fail('custom', __('planning.rule_too_long'));
        }

        return $rule;
    }

    private function ruleAsked(): ?RecurrenceRule
    {
        try {
            return match (true) {
                is_array($this->input('custom')) => RuleParts::toRule($this->parts()),
                is_array($this->input('repeats')) => Repeats::toRule($this->form()),
                default => null,
            };
        } catch (InvalidRepeats $bad) {
            $this->fail('repeats.' . $bad->field, __('planning.repeats_' . $bad->field));
        } catch (InvalidRule $bad) {
            $field = RuleParts::field($bad);
            $this->fail("custom.$field", __("planning.custom_$field"));
        }
    }

    /**
     * @return array{every: 'day'|'week'|'month'|'year', interval: int, days: list<string>, monthBy: 'date'|'weekday'|'workingDay', monthDay: int, nth: int, weekday: string, end: 'count'|'until'|'open', count: int, untilOn: ?string}
     */
    private function form(): array
    {
        /** @var array{every: 'day'|'week'|'month'|'year', interval: int|string, days: list<string>, monthBy: 'date'|'weekday'|'workingDay', monthDay: int|string, nth: int|string, weekday: string, end: 'count'|'until'|'open', count: int|string, untilOn: ?string} $form */
        $form = $this->input('repeats');

        return [
            'every' => $form['every'], 'interval' => (int) $form['interval'], 'days' => array_values($form['days']), 'monthBy' => $form['monthBy'],
            'monthDay' => (int) $form['monthDay'], 'nth' => (int) $form['nth'], 'weekday' => $form['weekday'], 'end' => $form['end'],
            'count' => (int) $form['count'], 'untilOn' => $form['untilOn'],
        ];
    }

    /**
     * @return array{frequency: string, interval: int, weekStart: string, days: list<array{nth: int, day: string}>, monthDays: list<int>, yearDays: list<int>, weeks: list<int>, months: list<int>, positions: list<int>, hours: list<int>, minutes: list<int>, seconds: list<int>, skip: string, end: string, count: int, untilOn: ?string}
     */
    private function parts(): array
    {
        $numbers = fn(string $list): array => array_values(array_map(intval(...), (array) $this->input("custom.$list")));

        return [
            'frequency' => $this->string('custom.frequency')->toString(), 'interval' => $this->integer('custom.interval'), 'weekStart' => $this->string('custom.weekStart')->toString(),
            'days' => array_values(array_map(static fn(array $d): array => ['nth' => (int) $d['nth'], 'day' => (string) $d['day']], (array) $this->input('custom.days'))),
            'monthDays' => $numbers('monthDays'), 'yearDays' => $numbers('yearDays'), 'weeks' => $numbers('weeks'), 'months' => $numbers('months'), 'positions' => $numbers('positions'),
            'hours' => $numbers('hours'), 'minutes' => $numbers('minutes'), 'seconds' => $numbers('seconds'), 'skip' => $this->string('custom.skip')->toString(),
            'end' => $this->string('custom.end')->toString(), 'count' => $this->integer('custom.count'), 'untilOn' => $this->filled('custom.untilOn') ? $this->string('custom.untilOn')->toString() : null,
        ];
    }

    /** @return list<WallTime> */
    private function walls(string $field, bool $allDay): array
    {
        $walls = array_map(fn(string $text): WallTime => $this->wall($field, $text, $allDay), array_values((array) $this->input($field, [])));
        usort($walls, static fn(WallTime $a, WallTime $b): int => $a->seconds <=> $b->seconds);

        return $walls;
    }

    protected function wall(string $field, string $text, bool $allDay): WallTime
    {
        try {
            $wall = $allDay ? WallTime::parseDate(substr($text, 0, 10)) : WallTime::parse($text);
        } catch (InvalidTime) {
            $this->fail($field, __('planning.unreadable_time'));
        }
        $year = Gregorian::yearOf($wall->dayNumber());

        return $year >= self::FIRST_YEAR && $year <= self::LAST_YEAR ? $wall : $this->fail($field, __('planning.out_of_calendar'));
    }

    /**
     * What is worked out of the sheet; where that leaves the years that a clock can show, its start is named.
     *
     * @template T
     *
     * @param  \Closure(): T  $work
     * @return T
     */
    public function withinCalendar(\Closure $work): mixed
    {
        try {
            return $work();
        } catch (InvalidTime) {
            $this->fail('startLocal', __('planning.out_of_calendar'));
        }
    }

    protected function fail(string $field, string $message): never
    {
        throw ValidationException::withMessages([$field => $message]);
    }

    protected function failedValidation(Validator $validator): void
    {
        throw new ValidationException($validator);
    }
}
