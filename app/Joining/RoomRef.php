<?php

declare(strict_types=1);

namespace App\Joining;

/** Our own name for the room of a meeting on the bridge: asked again under it, the bridge gives no second room. */
final class RoomRef
{
    public static function of(string $roomId): string
    {
        return 'meeting-' . strtolower($roomId);
    }

    public static function roomOf(string $ref): string
    {
        return strtolower(substr($ref, strlen('meeting-')));
    }
}
