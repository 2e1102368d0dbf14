<?php

declare(strict_types=1);

namespace App\Planning;

use App\People\Person;
use App\People\Team;
use Syndex\Core\ICalendar\AttendeeRole;

/** What a blueprint holds: a meeting without its dates, its answers and its joining kit. */
final class BlueprintContent
{
    /** By the part of the sheet to which they belong. */
    private const PARTS = [
        'title' => ['title'],
        'when' => ['rrule', 'zone', 'all_day', 'clock'],
        'length' => ['duration_minutes'],
        'people' => ['people', 'host_id', 'hides_people'],
        'join' => ['join_mode', 'place'],
        'room' => ['room'],
        'purpose' => ['purpose'],
        'agenda' => ['agenda'],
        'links' => ['links'],
        'entry' => ['reminder_minutes', 'calendar_class', 'categories', 'takes_no_time', 'not_forwarded'],
    ];

    private const COLUMNS = ['title', 'purpose', 'links', 'zone', 'all_day', 'duration_minutes', 'rrule', 'place', 'host_id', 'hides_people', 'room', 'reminder_minutes', 'calendar_class', 'categories', 'takes_no_time', 'not_forwarded'];

    /** @return array<string, mixed> */
    public static function of(Meeting $meeting): array
    {
        $meeting->loadMissing(['agenda', 'attendees']);
        $content = ['starts_local' => $meeting->starts_local->format('Y-m-d H:i:s'), 'join_mode' => $meeting->join_mode->value];
        foreach (self::COLUMNS as $column) {
            $content[$column] = $meeting->getAttribute($column);
        }

        return [
            ...$content,
            'agenda' => $meeting->agenda->map(static fn(AgendaItem $i): array => ['title' => $i->title, 'minutes' => $i->minutes, 'speaker' => $i->speaker])->values()->all(),
            'people' => $meeting->attendees->map(static fn(Attendee $a): array => ['id' => $a->person_id, 'role' => $a->role->value, 'team' => $a->team_id])->values()->all(),
        ];
    }

    /**
     * The meeting that it describes, kept nowhere: with those of its people who are still there.
     *
     * @param  array<string, mixed>  $content
     */
    public static function meeting(array $content): Meeting
    {
        $people = array_values((array) $content['people']);
        $there = Person::query()->whereIn('id', array_column($people, 'id'))->whereNull('left_at')->pluck('id')->flip();
        $teams = Team::query()->whereIn('id', array_filter(array_column($people, 'team')))->pluck('id')->flip();
        $people = array_values(array_filter($people, static fn(array $p): bool => $there->has($p['id'])));
        $host = $content['host_id'] ?? null;
        $meeting = new Meeting([...array_intersect_key($content, array_fill_keys([...self::COLUMNS, 'starts_local', 'join_mode'], 0)), 'host_id' => $host !== null && $there->has($host) ? $host : null]);
        $meeting->setRelation('agenda', collect(array_map(static fn(array $i, int $at): AgendaItem => new AgendaItem([...$i, 'position' => $at]), array_values((array) $content['agenda']), array_keys(array_values((array) $content['agenda'])))));
        $meeting->setRelation('attendees', collect(array_map(static fn(array $p, int $at): Attendee => new Attendee(['person_id' => $p['id'], 'role' => AttendeeRole::from($p['role']), 'team_id' => $p['team'] !== null && $teams->has($p['team']) ? $p['team'] : null, 'position' => $at]), $people, array_keys($people))));

        return $meeting;
    }

    /**
     * @param  array<string, mixed>  $content
     * @return list<string> parts of the sheet in which a meeting is no longer as its blueprint
     */
    public static function differs(array $content, Meeting $meeting): array
    {
        $was = self::compared($content);
        $is = self::compared(self::of($meeting));

        return array_keys(array_filter(self::PARTS, static fn(array $columns): bool => array_filter($columns, static fn(string $c): bool => ($was[$c] ?? null) != ($is[$c] ?? null)) !== []));
    }

    /**
     * @param  array<string, mixed>  $content
     * @return array<string, mixed> what is the same in it however it is written
     */
    private static function compared(array $content): array
    {
        $people = array_column((array) $content['people'], 'role', 'id');
        ksort($people);

        return [
            ...$content,
            'people' => $people,
            'clock' => substr((string) $content['starts_local'], 11),
            // Until when a series goes is of its dates.
            'rrule' => $content['rrule'] === null ? null : preg_replace('/;?(?:UNTIL|COUNT)=[^;]*/', '', (string) $content['rrule']),
            'room' => RoomChoices::read($content['room'] ?? [])->column(),
        ];
    }
}
