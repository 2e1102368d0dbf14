<?php

declare(strict_types=1);

namespace App\Planning;

use Syndex\Core\ICalendar\AttendeeRole;

/**
 * Brings the rows under a meeting to what its sheet says. A row that stays is the row it was, since answers and changes of single
 * dates hang on it; only what differs is written.
 */
final class KeepRows
{
    /** @param list<array{id: ?int, title: string, minutes: ?int, speaker: ?string}> $items in order */
    public static function agenda(Meeting $meeting, array $items): void
    {
        $there = $meeting->agenda()->lockForUpdate()->get()->keyBy('id');
        foreach ($items as $position => $item) {
            $row = $item['id'] === null ? null : $there->pull($item['id']);
            $values = ['position' => $position, 'title' => $item['title'], 'minutes' => $item['minutes'], 'speaker' => $item['speaker']];
            $row === null ? $meeting->agenda()->create($values) : $row->update($values);
        }
        $there->each(static fn(AgendaItem $gone) => $gone->delete());
        $meeting->unsetRelation('agenda');
    }

    /** @param list<array{personId: string, role: AttendeeRole, teamId?: ?string}> $attendees in order; where no team is said, it stays */
    public static function attendees(Meeting $meeting, array $attendees): void
    {
        $there = $meeting->attendees()->lockForUpdate()->get()->keyBy('person_id');
        $new = [];
        foreach ($attendees as $position => $attendee) {
            $row = $there->pull($attendee['personId']);
            if ($row === null) {
                $new[] = ['meeting_id' => $meeting->id, 'person_id' => $attendee['personId'], 'position' => $position, 'role' => $attendee['role']->value, 'team_id' => $attendee['teamId'] ?? null];
            } else {
                $row->update(['position' => $position, 'role' => $attendee['role'], ...(array_key_exists('teamId', $attendee) ? ['team_id' => $attendee['teamId']] : [])]);
            }
        }
        foreach (array_chunk($new, 1000) as $rows) {
            Attendee::query()->insert($rows);
        }
        Attendee::query()->whereIn('id', $there->pluck('id'))->delete();
        $meeting->unsetRelation('attendees');
    }

    /** @param list<SheetDate> $dates what is said of single dates; one of which nothing is said has no row */
    public static function dates(Meeting $meeting, array $dates): void
    {
        $there = $meeting->dates()->lockForUpdate()->get()->keyBy(static fn(OwnDate $d): int => $d->date()->seconds);
        foreach ($dates as $date) {
            if ($date->saysNothing()) {
                continue;
            }
            $values = ['duration_minutes' => $date->minutes, 'title' => $date->title, 'place' => $date->place, 'own_people' => $date->people !== null];
            $row = $there->pull($date->date->seconds);
            if ($row === null) {
                $row = $meeting->dates()->create(['date_local' => str_replace('T', ' ', $date->date->format()), ...$values]);
            } else {
                $row->update($values);
            }
            self::peopleOf($row, $date->people ?? []);
        }
        $there->each(static fn(OwnDate $gone) => $gone->delete());
        $meeting->unsetRelation('dates');
    }

    /** @param list<array{personId: string, role: AttendeeRole}> $people in order */
    private static function peopleOf(OwnDate $date, array $people): void
    {
        $there = $date->attendees()->get()->keyBy('person_id');
        foreach ($people as $position => ['personId' => $person, 'role' => $role]) {
            $row = $there->pull($person);
            $row === null
                ? $date->attendees()->create(['person_id' => $person, 'position' => $position, 'role' => $role])
                : $row->update(['position' => $position, 'role' => $role]);
        }
        DateAttendee::query()->whereIn('id', $there->pluck('id'))->delete();
        $date->unsetRelation('attendees');
    }
}
