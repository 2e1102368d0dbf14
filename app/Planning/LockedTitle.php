<?php

declare(strict_types=1);

namespace App\Planning;

use App\Joining\TitleOfRoom;

final class LockedTitle implements TitleOfRoom
{
    public function locked(string $meetingId): ?string
    {
        return Meeting::query()->lockForUpdate()->find($meetingId)?->title;
    }
}
