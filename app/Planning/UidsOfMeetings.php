<?php

declare(strict_types=1);

namespace App\Planning;

use App\People\OwnEvents;

/** Meetings by the UIDs under which they stand in calendars. */
final class UidsOfMeetings implements OwnEvents
{
    private const AT_ONCE = 1000;

    public function among(array $uids): array
    {
        $found = [];
        foreach (array_chunk($uids, self::AT_ONCE) as $some) {
            array_push($found, ...array_map(strval(...), Meeting::query()->whereIn('uid', $some)->pluck('uid')->all()));
        }

        return $found;
    }
}
