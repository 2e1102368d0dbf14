<?php

declare(strict_types=1);

namespace App\Joining;

/** Whoever has rooms: asked while the bridge is told what holds. */
interface WantedRooms
{
    /** @return list<string> rooms in which several meetings are held, of which one has ended lately */
    public function changedHands(): array;

    /** Locks the meeting, so that its room is neither made nor closed meanwhile. @return ?RoomWanted null if nobody needs such a room */
    public function locked(string $roomId): ?RoomWanted;
}
