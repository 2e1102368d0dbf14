<?php

declare(strict_types=1);

namespace App\Planning;

use App\People\Person;
use Illuminate\Validation\Rule;
use Syndex\Core\ICalendar\AttendeeRole;
use Syndex\Core\Time\ZoneData;

/**
 * The plan sheet as the browser sends it: for keeping, and for the board.
 *
 * A draft may be unfinished, but whatever stands in it must make sense by itself.
 */
class SheetRequest extends SeriesRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'title' => ['present', 'nullable', 'string', 'max:' . SheetLimits::TITLE],
            'purpose' => ['present', 'nullable', 'string', 'max:' . SheetLimits::PURPOSE],
            'agenda' => ['present', 'array', 'list', 'max:' . SheetLimits::AGENDA],
            'agenda.*' => ['array'],
            'agenda.*.id' => ['sometimes', 'nullable', 'integer'],
            'agenda.*.title' => ['present', 'nullable', 'string', 'max:300'],
            'agenda.*.minutes' => ['present', 'nullable', 'integer', 'min:1', 'max:1440'],
            'agenda.*.speaker' => ['present', 'nullable', 'string', 'max:200'],
            'links' => ['present', 'array', 'list', 'max:' . SheetLimits::LINKS],
            'links.*' => ['array:label,url'],
            'links.*.label' => ['present', 'nullable', 'string', 'max:200'],
            'links.*.url' => ['required', 'string', 'max:' . SheetLimits::ADDRESS, 'url:http,https'],
            'attendees' => ['present', 'array', 'list', 'max:' . SheetLimits::PEOPLE],
            'attendees.*' => ['array'],
            'attendees.*.personId' => ['required', 'string', 'max:26', 'distinct:strict'],
            'attendees.*.role' => ['required', 'string', Rule::enum(AttendeeRole::class)->only([AttendeeRole::Required, AttendeeRole::Optional])],
            'hostId' => ['present', 'nullable', 'string', 'max:26'],
            'joinMode' => ['required', 'string', Rule::enum(JoinMode::class)],
            'place' => ['present', 'nullable', 'string', 'max:' . SheetLimits::PLACE],
            'manyAgreed' => ['sometimes', 'boolean'],
            'hidesPeople' => ['sometimes', 'nullable', 'boolean'],
            'own' => ['sometimes', 'array', 'list', 'max:' . SheetLimits::OWN_DATES],
            ...$this->ownRules(),
            'choices' => ['sometimes', 'array'],
            'choices.reminderMinutes' => ['present_with:choices', 'nullable', 'integer', 'min:0', 'max:40320'],
            'choices.class' => ['required_with:choices', Rule::in(EntryChoices::CLASSES)],
            'choices.categories' => ['present_with:choices', 'array', 'list', 'max:10'],
            'choices.categories.*' => ['required', 'string', 'max:60', 'regex:/\\A[^\\x00-\\x1F]+\\z/u'],
            'choices.takesNoTime' => ['required_with:choices', 'boolean'],
            'choices.notForwarded' => ['required_with:choices', 'boolean'],
            ...parent::rules(),
        ];
    }

    /** @return array<string, mixed> none for a list that is too long already: each of its thousands would be looked at */
    private function ownRules(): array
    {
        $own = $this->input('own');

        return is_array($own) && count($own) > SheetLimits::OWN_DATES ? [] : [
            'own.*' => ['array:date,minutes,title,place,people'],
            'own.*.date' => ['required', 'string'],
            'own.*.minutes' => ['present', 'nullable', 'integer', 'min:5', 'multiple_of:5', 'max:' . self::MOST_DAYS * 1440],
            'own.*.title' => ['present', 'nullable', 'string', 'max:' . SheetLimits::TITLE],
            'own.*.place' => ['present', 'nullable', 'string', 'max:' . SheetLimits::PLACE],
            'own.*.people' => ['present', 'nullable', 'array', 'list', 'max:' . SheetLimits::PEOPLE],
            'own.*.people.*.personId' => ['required', 'string', 'max:26'],
            'own.*.people.*.role' => ['required', 'string', Rule::enum(AttendeeRole::class)->only([AttendeeRole::Required, AttendeeRole::Optional])],
        ];
    }

    public function sheet(ZoneData $zones): Sheet
    {
        return new Sheet(
            $this->string('title')->trim()->toString(),
            $this->string('purpose')->trim()->toString(),
            $this->agenda(),
            array_values(array_map(static fn(array $l): array => ['label' => trim((string) $l['label']), 'url' => $l['url']], (array) $this->input('links'))),
            $this->people('attendees'),
            $this->hostId(),
            $this->series($zones),
            $this->zone($zones),
            $this->durationMinutes(),
            JoinMode::from($this->string('joinMode')->toString()),
            $this->string('place')->trim()->toString(),
            $this->boolean('manyAgreed'),
            $this->moved(),
            $this->input('hidesPeople') === null ? null : $this->boolean('hidesPeople'),
            $this->own(),
            $this->choices(),
        );
    }

    private function choices(): EntryChoices
    {
        if (!is_array($this->input('choices'))) {
            return new EntryChoices();
        }
        $class = $this->string('choices.class')->toString();

        return new EntryChoices(
            $this->input('choices.reminderMinutes') === null ? null : $this->integer('choices.reminderMinutes'),
            in_array($class, EntryChoices::CLASSES, true) ? $class : 'public',
            array_values(array_unique(array_map(static fn(mixed $c): string => trim((string) $c), (array) $this->input('choices.categories')))),
            $this->boolean('choices.takesNoTime'),
            $this->boolean('choices.notForwarded'),
        );
    }

    /** @return list<SheetDate> */
    private function own(): array
    {
        $allDay = $this->boolean('allDay');
        $dates = [];
        foreach (array_values((array) $this->input('own', [])) as $at => $own) {
            $minutes = $own['minutes'] === null ? null : (int) $own['minutes'];
            if ($minutes !== null && ($allDay ? $minutes % 1440 !== 0 : $minutes > self::MOST_MINUTES)) {
                $this->fail("own.$at.minutes", __($allDay ? 'planning.whole_days' : 'planning.a_day_at_most'));
            }
            $title = trim((string) $own['title']);
            $dates[] = new SheetDate(
                $this->wall("own.$at.date", (string) $own['date'], $allDay),
                $minutes,
                $title === '' ? null : $title,
                $own['place'] === null ? null : trim((string) $own['place']),
                $own['people'] === null ? null : $this->people("own.$at.people"),
            );
        }

        return $dates;
    }

    /** @return list<array{id: ?int, title: string, minutes: ?int, speaker: ?string}> lines without anything in them left out */
    private function agenda(): array
    {
        $items = [];
        foreach ((array) $this->input('agenda') as $item) {
            $title = trim((string) $item['title']);
            $speaker = trim((string) $item['speaker']);
            if ($title !== '' || $speaker !== '' || $item['minutes'] !== null) {
                $items[] = ['id' => isset($item['id']) ? (int) $item['id'] : null, 'title' => $title, 'minutes' => $item['minutes'] === null ? null : (int) $item['minutes'], 'speaker' => $speaker === '' ? null : $speaker];
            }
        }

        return $items;
    }

    /** @return list<array{personId: string, role: AttendeeRole}> */
    private function people(string $field): array
    {
        // Whoever is named twice is asked once.
        $asked = array_values(array_column((array) $this->input($field), null, 'personId'));
        $known = Person::query()->whereIn('id', array_column($asked, 'personId'))->pluck('id')->all();
        foreach ($asked as $at => $attendee) {
            if (!in_array($attendee['personId'], $known, true)) {
                $this->fail("$field.$at.personId", __('planning.unknown_person'));
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
}
