<?php

declare(strict_types=1);

namespace App\Planning;

use App\People\Person;
use Illuminate\Contracts\Validation\Validator;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Syndex\Core\Recurrence\InvalidRepeats;
use Syndex\Core\Recurrence\InvalidRule;
use Syndex\Core\Recurrence\Repeats;
use Syndex\Core\Recurrence\RuleParser;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Time\InvalidTime;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\Zone;
use Syndex\Core\Time\ZoneData;

/**
 * The plan sheet as the browser sends it: for keeping, and for the board.
 *
 * A draft may be unfinished, but whatever stands in it must make sense by itself.
 */
class SheetRequest extends FormRequest
{
    private const MOST_MINUTES = 1440;

    private const MOST_DAYS = 31;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'title' => ['present', 'nullable', 'string', 'max:200'],
            'purpose' => ['present', 'nullable', 'string', 'max:5000'],
            'agenda' => ['present', 'array', 'max:60'],
            'agenda.*.title' => ['present', 'nullable', 'string', 'max:300'],
            'agenda.*.minutes' => ['present', 'nullable', 'integer', 'min:1', 'max:1440'],
            'agenda.*.speaker' => ['present', 'nullable', 'string', 'max:200'],
            'links' => ['present', 'array', 'max:30'],
            'links.*.label' => ['present', 'nullable', 'string', 'max:200'],
            'links.*.url' => ['required', 'string', 'max:2000', 'url:http,https'],
            'attendees' => ['present', 'array', 'max:500'],
            'attendees.*.personId' => ['required', 'string', 'distinct'],
            'attendees.*.role' => ['required', Rule::enum(AttendeeRole::class)],
            'hostId' => ['present', 'nullable', 'string'],
            'startLocal' => ['required', 'string'],
            'zone' => ['required', 'string'],
            'allDay' => ['required', 'boolean'],
            'durationMinutes' => ['required', 'integer', 'min:5', 'multiple_of:5', 'max:' . self::MOST_DAYS * 1440],
            'repeats' => ['present', 'nullable', 'array'],
            'rule' => ['sometimes', 'nullable', 'string', 'max:500'],
            'dropped' => ['present', 'array', 'max:1000'],
            'dropped.*' => ['string'],
            'joinMode' => ['required', Rule::enum(JoinMode::class)],
            'place' => ['present', 'nullable', 'string', 'max:300'],
            ...(is_array($this->input('repeats')) ? self::repeatsRules() : []),
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
            'repeats.monthBy' => ['required', Rule::in(['date', 'weekday'])],
            'repeats.monthDay' => ['required', 'integer'],
            'repeats.nth' => ['required', 'integer'],
            'repeats.weekday' => ['required', 'string'],
            'repeats.end' => ['required', Rule::in(['count', 'until', 'open'])],
            'repeats.count' => ['required', 'integer'],
            'repeats.untilOn' => ['present', 'nullable', 'string'],
        ];
    }

    public function sheet(ZoneData $zones): Sheet
    {
        $zone = $this->zone($zones);
        $allDay = $this->boolean('allDay');
        $duration = $this->integer('durationMinutes');
        if ($allDay ? $duration % 1440 !== 0 : $duration > self::MOST_MINUTES) {
            $this->fail('durationMinutes', __($allDay ? 'planning.whole_days' : 'planning.a_day_at_most'));
        }
        $series = $this->series($zone, $allDay);

        return new Sheet(
            $this->string('title')->trim()->toString(),
            $this->string('purpose')->trim()->toString(),
            $this->agenda(),
            array_values(array_map(static fn(array $l): array => ['label' => trim((string) $l['label']), 'url' => $l['url']], (array) $this->input('links'))),
            $this->people(),
            $this->hostId(),
            $series,
            $zone,
            $duration,
            JoinMode::from($this->string('joinMode')->toString()),
            $this->string('place')->trim()->toString(),
        );
    }

    private function series(Zone $zone, bool $allDay): Series
    {
        $start = $this->wall('startLocal', $this->string('startLocal')->toString());
        if ($allDay) {
            $start = WallTime::parseDate($start->formatDate());
        }
        try {
            $rule = match (true) {
                is_array($this->input('repeats')) => Repeats::toRule($this->form()),
                $this->filled('rule') => RuleParser::parse($this->string('rule')->toString()),
                default => null,
            };
        } catch (InvalidRepeats $bad) {
            $this->fail('repeats.' . $bad->field, __('planning.repeats_' . $bad->field));
        } catch (InvalidRule $bad) {
            $this->fail('rule', $bad->getMessage());
        }
        $dropped = $rule === null ? [] : array_map(fn(string $text): WallTime => $this->wall('dropped', $text), array_values((array) $this->input('dropped')));

        return $allDay ? Series::allDay($start, $rule, [], $dropped) : Series::timed($start, $zone, $rule, [], $dropped);
    }

    /**
     * @return array{every: 'day'|'week'|'month'|'year', interval: int, days: list<string>, monthBy: 'date'|'weekday', monthDay: int, nth: int, weekday: string, end: 'count'|'until'|'open', count: int, untilOn: ?string}
     */
    private function form(): array
    {
        /** @var array{every: 'day'|'week'|'month'|'year', interval: int|string, days: list<string>, monthBy: 'date'|'weekday', monthDay: int|string, nth: int|string, weekday: string, end: 'count'|'until'|'open', count: int|string, untilOn: ?string} $form */
        $form = $this->input('repeats');

        return [
            'every' => $form['every'], 'interval' => (int) $form['interval'], 'days' => array_values($form['days']), 'monthBy' => $form['monthBy'],
            'monthDay' => (int) $form['monthDay'], 'nth' => (int) $form['nth'], 'weekday' => $form['weekday'], 'end' => $form['end'],
            'count' => (int) $form['count'], 'untilOn' => $form['untilOn'],
        ];
    }

    /** @return list<array{title: string, minutes: ?int, speaker: ?string}> lines without anything in them left out */
    private function agenda(): array
    {
        $items = [];
        foreach ((array) $this->input('agenda') as $item) {
            $title = trim((string) $item['title']);
            $speaker = trim((string) $item['speaker']);
            if ($title !== '' || $speaker !== '' || $item['minutes'] !== null) {
                $items[] = ['title' => $title, 'minutes' => $item['minutes'] === null ? null : (int) $item['minutes'], 'speaker' => $speaker === '' ? null : $speaker];
            }
        }

        return $items;
    }

    /** @return list<array{personId: string, role: AttendeeRole}> */
    private function people(): array
    {
        $asked = array_values((array) $this->input('attendees'));
        $known = Person::query()->whereIn('id', array_column($asked, 'personId'))->pluck('id')->all();
        foreach ($asked as $at => $attendee) {
            if (!in_array($attendee['personId'], $known, true)) {
                $this->fail("attendees.$at.personId", __('planning.unknown_person'));
            }
        }

        return array_map(static fn(array $a): array => ['personId' => $a['personId'], 'role' => AttendeeRole::from($a['role'])], $asked);
    }

    /** The host is one of the attendees. */
    private function hostId(): ?string
    {
        $host = $this->input('hostId');

        return is_string($host) && in_array($host, array_column((array) $this->input('attendees'), 'personId'), true) ? $host : null;
    }

    private function zone(ZoneData $zones): Zone
    {
        $id = $this->string('zone')->toString();

        return $zones->knows($id) ? $zones->zone($id) : $this->fail('zone', __('planning.unknown_zone'));
    }

    private function wall(string $field, string $text): WallTime
    {
        try {
            return WallTime::parse($text);
        } catch (InvalidTime) {
            $this->fail($field, __('planning.unreadable_time'));
        }
    }

    private function fail(string $field, string $message): never
    {
        throw ValidationException::withMessages([$field => $message]);
    }

    protected function failedValidation(Validator $validator): void
    {
        throw new ValidationException($validator);
    }
}
