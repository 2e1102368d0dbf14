<?php

declare(strict_types=1);

namespace App\Invitations;

use App\Planning\Meeting;

/** Who has been told of a meeting, at which addresses, by what left the house for them. */
final class Told
{
    /** @return list<array{person: string, address: string}> whose invitation may have arrived, whatever their address is by now */
    public static function of(Meeting $meeting): array
    {
        $rows = Dispatch::query()->where('uid', $meeting->uid)->where('kind', DispatchKind::Invitation)->whereNotNull('attempted_at')
            ->whereNotIn('state', [DispatchState::Refused])->whereNotNull('person_id')
            ->distinct()->orderBy('recipient')->get(['person_id', 'recipient']);

        return array_values($rows->map(static fn(Dispatch $d): array => ['person' => (string) $d->person_id, 'address' => $d->recipient])->all());
    }
}
