<?php

declare(strict_types=1);

namespace App\Planning;

use Syndex\Core\Time\ZoneData;

/** A stored meeting in the form of a sheet, so that whatever is computed for a sheet can be computed for it. */
final readonly class SheetOfMeeting
{
    public function __construct(private MeetingSeries $series, private ZoneData $zones) {}

    public function of(Meeting $meeting): Sheet
    {
        $meeting->loadMissing(['agenda', 'attendees', 'dates.attendees']);

        return new Sheet(
            $meeting->title,
            $meeting->purpose ?? '',
            array_values($meeting->agenda->map(static fn(AgendaItem $i): array => ['id' => $i->id, 'title' => $i->title, 'minutes' => $i->minutes, 'speaker' => $i->speaker])->all()),
            $meeting->links,
            array_values($meeting->attendees->map(static fn(Attendee $a): array => ['personId' => $a->person_id, 'role' => $a->role, 'teamId' => $a->team_id])->all()),
            $meeting->host_id,
            $this->series->of($meeting),
            $this->zones->zone($meeting->zone),
            $meeting->duration_minutes,
            $meeting->join_mode,
            $meeting->place ?? '',
            moved: $this->series->moved($meeting),
            hidesPeople: $meeting->hides_people,
            own: array_values($meeting->dates->map(static fn(OwnDate $d): SheetDate => $d->asked())->all()),
            choices: EntryChoices::of($meeting),
            room: RoomChoices::of($meeting),
        );
    }
}
