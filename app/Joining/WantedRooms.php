<?php

declare(strict_types=1);

namespace App\Joining;

/** Whoever has rooms: asked while the bridge is told what holds. */
interface WantedRooms
{
    /** @return list<string> rooms that people keep, in which a meeting has ended lately */
    public function changedHands(): array;

    /** Locks the meeting, so that its room is neither made nor closed meanwhile. @return ?RoomWanted null if nobody needs such a room */
    public function locked(string $roomId): ?RoomWanted;
}
