<?php

declare(strict_types=1);

namespace App\Planning;

use App\Joining\RoomWanted;
use App\Joining\WantedRooms;
use App\People\Person;

/** A room is as the meeting wants it that is on in it or comes next: whether it is of one meeting, of the parts of one, or somebody keeps it. */
final readonly class LockedRooms implements WantedRooms
{
    /** Minutes: so long may this have been overlooked. */
    private const LATELY = 30;

    public function __construct(private RoomOf $rooms) {}

    public function changedHands(): array
    {
        return array_values(Meeting::query()->whereNull('changes_id')->where('status', MeetingStatus::Sent)
            ->whereIn('id', Occurrence::query()->select('meeting_id')->whereBetween('ends_at', [now()->subMinutes(self::LATELY), now()]))
            ->where(static fn($q) => $q->whereNotNull('standing_of')->orWhereNotNull('kit_of')->orWhereIn('id', Meeting::query()->select('kit_of')->whereNotNull('kit_of')))
            ->get()->map(static fn(Meeting $m): string => $m->room_of)->unique()->all());
    }

    public function locked(string $roomId): ?RoomWanted
    {
        $meeting = Meeting::query()->lockForUpdate()->find($roomId);
        if ($meeting !== null) {
            // Parts of a series that was cut share a room: it is as the part wants it that is on or comes next.
            $held = $this->next($roomId) ?? ($meeting->standing_of === null ? $meeting : null);

            return $held === null ? null : $this->rooms->wanted($held);
        }
        $person = Person::query()->lockForUpdate()->find($roomId);
        if ($person === null) {
            return null;
        }
        $next = $this->next($roomId);

        if ($next === null && $person->left_at !== null) {
            return null;
        }

        return $next === null ? $this->rooms->standing($person) : $this->rooms->wanted($next);
    }

    private function next(string $roomId): ?Meeting
    {
        $date = Occurrence::query()->where('ends_at', '>', now())->whereIn('meeting_id', Meeting::query()->select('id')->whereNull('changes_id')->where('status', MeetingStatus::Sent)->where(RoomOf::isHeldIn($roomId)))->orderBy('starts_at')->first();

        return $date === null ? null : Meeting::query()->find($date->meeting_id);
    }
}
