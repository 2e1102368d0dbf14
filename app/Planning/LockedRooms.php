<?php

declare(strict_types=1);

namespace App\Planning;

use App\Joining\RoomWanted;
use App\Joining\WantedRooms;

final readonly class LockedRooms implements WantedRooms
{
    public function __construct(private RoomOf $rooms) {}

    public function locked(string $meetingId): ?RoomWanted
    {
        $meeting = Meeting::query()->lockForUpdate()->find($meetingId);

        return $meeting === null ? null : $this->rooms->wanted($meeting);
    }
}
