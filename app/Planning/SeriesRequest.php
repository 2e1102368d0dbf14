<?php

declare(strict_types=1);

namespace App\Planning;

use App\Access\KnownZone;
use Illuminate\Contracts\Validation\Validator;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;
use Syndex\Core\Recurrence\InvalidRule;
use Syndex\Core\Recurrence\MovedDates;
use Syndex\Core\Recurrence\Rule;
use Syndex\Core\Recurrence\RuleParts;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Time\InvalidTime;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\Zone;
use Syndex\Core\Time\ZoneData;

/** When and how often, as the browser sends it. */
class SeriesRequest extends FormRequest
{
    protected const MOST_MINUTES = 1440;

    protected const MOST_DAYS = 31;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'startLocal' => ['required', 'string'],
            'zone' => ['required', 'string'],
            'allDay' => ['required', 'boolean'],
            'durationMinutes' => ['required', 'integer', 'min:5', 'multiple_of:5', 'max:' . self::MOST_DAYS * 1440],
            ...RuleWire::rules($this->input('rule')),
            'dropped' => ['present', 'array', 'max:1000'],
            'dropped.*' => ['string'],
            'extra' => ['sometimes', 'array', 'max:1000'],
            'extra.*' => ['string'],
            'moved' => ['sometimes', 'array', 'list', 'max:1000'],
            'moved.*' => ['array:date,to'],
            'moved.*.date' => ['required', 'string'],
            'moved.*.to' => ['required', 'string'],
            'ownDates' => ['sometimes', 'array', 'list', 'max:1000'],
            'ownDates.*' => ['string'],
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
            $this->fail('rule.' . RuleParts::field($bad), __('planning.days_repeat_by_days'));
        }
    }

    /** Which added dates stand in for which dropped ones. */
    public function moved(): MovedDates
    {
        $allDay = $this->boolean('allDay');

        return MovedDates::of(array_map(fn(array $pair): array => [$this->wall('moved', (string) $pair['date'], $allDay), $this->wall('moved', (string) $pair['to'], $allDay)], array_values((array) $this->input('moved', []))));
    }

    /**
     * Dates that have something of their own.
     *
     * @return list<WallTime>
     */
    public function ownDates(): array
    {
        return $this->walls('ownDates', $this->boolean('allDay'));
    }

    public function zone(ZoneData $zones): Zone
    {
        $id = $this->string('zone')->toString();

        return KnownZone::is($id, $zones) ? $zones->zone($id) : $this->fail('zone', __('planning.unknown_zone'));
    }

    private function rule(): ?Rule
    {
        $asked = $this->input('rule');
        $rule = is_array($asked) ? RuleWire::read($asked) : null;
        if (strlen($rule?->toText() ?? '') > SheetLimits::RULE) {
            $this->fail('rule', __('planning.rule_too_long'));
        }

        return $rule;
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
        return TypedTime::of($field, $text, $allDay);
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
