<?php

declare(strict_types=1);

namespace App\Planning;

use App\Joining\RoomWanted;
use App\Joining\WantedRooms;
use App\People\Person;

/** A room of one meeting is as that meeting wants it; one that somebody keeps, as the meeting that goes on in it or comes next. */
final readonly class LockedRooms implements WantedRooms
{
    /** Minutes: so long may this have been overlooked. */
    private const LATELY = 30;

    public function __construct(private RoomOf $rooms) {}

    public function changedHands(): array
    {
        return array_values(array_map(strval(...), Meeting::query()->whereNotNull('standing_of')->where('status', MeetingStatus::Sent)
            ->whereIn('id', Occurrence::query()->select('meeting_id')->whereBetween('ends_at', [now()->subMinutes(self::LATELY), now()]))->toBase()->distinct()->pluck('standing_of')->all()));
    }

    public function locked(string $roomId): ?RoomWanted
    {
        $meeting = Meeting::query()->lockForUpdate()->find($roomId);
        if ($meeting !== null) {
            return $meeting->standing_of === null || Meeting::query()->where(RoomOf::isHeldIn($roomId))->exists() ? $this->rooms->wanted($meeting) : null;
        }
        $person = Person::query()->lockForUpdate()->find($roomId);
        if ($person === null) {
            return null;
        }
        $next = Occurrence::query()->where('ends_at', '>', now())->whereIn('meeting_id', Meeting::query()->select('id')->whereNull('changes_id')->where('status', MeetingStatus::Sent)->where('standing_of', $roomId))->orderBy('starts_at')->first();

        if ($next === null && $person->left_at !== null) {
            return null;
        }

        return $next === null ? $this->rooms->standing($person) : $this->rooms->wanted(Meeting::query()->findOrFail($next->meeting_id));
    }
}
