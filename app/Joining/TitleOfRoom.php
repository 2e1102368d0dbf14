<?php

declare(strict_types=1);

namespace App\Joining;

/** Whoever has a room: asked while the bridge is told again what holds. */
interface TitleOfRoom
{
    /** Locks the meeting, so that its room is neither made nor closed meanwhile. @return ?string its title; null if there is no such meeting */
    public function locked(string $meetingId): ?string;
}
