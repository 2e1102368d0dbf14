<?php

declare(strict_types=1);

namespace App\Planning;

use App\HouseRules\RoomEntry;
use App\People\ManyIds;
use App\People\Person;
use App\People\Team;
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
    /** Words that stand within a line of a letter. */
    private const ONE_LINE = 'regex:/\A[^\x00-\x1F]+\z/u';

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
            'choices.categories.*' => ['required', 'string', 'max:60', self::ONE_LINE],
            'choices.takesNoTime' => ['required_with:choices', 'boolean'],
            'choices.notForwarded' => ['required_with:choices', 'boolean'],
            'room' => ['sometimes', 'array:settings,coHosts,presenters,account,reason,standing,inRoom,standIn,smallRooms,interpreters,changing,inviting'],
            'room.settings' => ['present_with:room', 'array', RoomEntry::settings(...)],
            'room.coHosts' => ['present_with:room', 'array', 'list', 'max:100'],
            'room.coHosts.*' => ['bail', 'required', 'string', 'max:26'],
            'room.presenters' => ['sometimes', 'array', 'list', 'max:100'],
            'room.presenters.*' => ['bail', 'required', 'string', 'max:26'],
            'room.reason' => ['sometimes', 'nullable', 'string', 'max:200', self::ONE_LINE],
            'room.account' => ['present_with:room', 'nullable', 'string', 'max:40'],
            'room.standing' => ['sometimes', 'boolean:strict'],
            'room.inRoom' => ['sometimes', 'array', 'list', 'max:' . SheetLimits::PEOPLE],
            'room.standIn' => ['sometimes', 'nullable', 'string', 'max:26'],
            'room.smallRooms' => ['sometimes', 'array', 'list', 'max:50'],
            'room.smallRooms.*' => ['array:name,people'],
            'room.smallRooms.*.name' => ['required', 'string', 'max:80', self::ONE_LINE],
            'room.smallRooms.*.people' => ['present', 'array', 'list', 'max:500'],
            'room.interpreters' => ['sometimes', 'array', 'list', 'max:20'],
            'room.interpreters.*' => ['array:personId,from,to'],
            'room.interpreters.*.personId' => ['bail', 'required', 'string', 'max:26'],
            'room.interpreters.*.from' => ['required', 'string', 'regex:/\A[a-z]{2,3}\z/'],
            'room.interpreters.*.to' => ['required', 'string', 'regex:/\A[a-z]{2,3}\z/', 'different:room.interpreters.*.from'],
            'room.changing' => ['sometimes', 'string', Rule::enum(AttendeesMay::class)],
            'room.inviting' => ['sometimes', 'string', Rule::enum(AttendeesMay::class)],
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
            $this->room(),
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

    private function room(): RoomChoices
    {
        $asked = array_column((array) $this->input('attendees'), 'personId');
        $people = fn(string $field): array => array_values(array_unique(array_filter((array) $this->input($field, []), static fn(mixed $id): bool => in_array($id, $asked, true))));

        return new RoomChoices(
            (array) $this->input('room.settings', []),
            $people('room.coHosts'),
            $people('room.presenters'),
            $this->input('room.account'),
            trim((string) $this->input('room.reason')) === '' ? null : trim((string) $this->input('room.reason')),
            RoomParts::read((array) $this->input('room', []))->among($asked),
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

    /**
     * Looked at in one pass: the rules of the framework ask a list of thousands for each field of each of them.
     *
     * @return list<array{personId: string, role: AttendeeRole, teamId: ?string}>
     */
    private function people(string $field): array
    {
        $asked = [];
        foreach (array_values((array) $this->input($field)) as $at => $attendee) {
            $id = is_array($attendee) ? $attendee['personId'] ?? null : null;
            $role = is_array($attendee) && is_string($attendee['role'] ?? null) ? AttendeeRole::tryFrom($attendee['role']) : null;
            $team = is_array($attendee) ? $attendee['teamId'] ?? null : null;
            if (!is_string($id) || strlen($id) > 26 || isset($asked[$id])) {
                $this->fail("$field.$at.personId", __(is_string($id) && isset($asked[$id]) ? 'planning.asked_twice' : 'planning.unknown_person'));
            }
            if ($role !== AttendeeRole::Required && $role !== AttendeeRole::Optional) {
                $this->fail("$field.$at.role", __('planning.unknown_role'));
            }
            if ($team !== null && (!is_string($team) || strlen($team) > 26)) {
                $this->fail("$field.$at.teamId", __('planning.unknown_team'));
            }
            $asked[$id] = ['personId' => $id, 'role' => $role, 'teamId' => $team];
        }
        $known = $asked === [] ? collect() : Person::query()->whereRaw(...ManyIds::in('id', array_map(strval(...), array_keys($asked))))->toBase()->pluck('id')->flip();
        $teams = Team::query()->whereIn('id', array_unique(array_filter(array_column($asked, 'teamId'))))->pluck('id')->flip();
        foreach (array_values($asked) as $at => $attendee) {
            if (!$known->has($attendee['personId'])) {
                $this->fail("$field.$at.personId", __('planning.unknown_person'));
            }
        }

        // A team that was dissolved meanwhile is no reason to refuse its people.
        return array_map(static fn(array $a): array => [...$a, 'teamId' => $a['teamId'] !== null && $teams->has($a['teamId']) ? $a['teamId'] : null], array_values($asked));
    }

    /** The host is one of the attendees. */
    private function hostId(): ?string
    {
        $host = $this->input('hostId');

        return is_string($host) && in_array($host, array_column((array) $this->input('attendees'), 'personId'), true) ? $host : null;
    }
}
