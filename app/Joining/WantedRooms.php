<?php

declare(strict_types=1);

namespace App\Joining;

/** Whoever has rooms: asked while the bridge is told what holds. */
interface WantedRooms
{
    /** Locks the meeting, so that its room is neither made nor closed meanwhile. @return ?RoomWanted null if there is no such meeting */
    public function locked(string $meetingId): ?RoomWanted;
}
