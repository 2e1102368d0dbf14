<?php

declare(strict_types=1);

namespace App\Invitations;

use App\Planning\Meeting;

/** Who has been told of a meeting, at which addresses, by what left the house for them. */
final class Told
{
    /** @return list<array{person: string, address: string}> whose invitation may have arrived and was not called off, whatever their address is by now */
    public static function of(Meeting $meeting): array
    {
        $told = [];
        $rows = Dispatch::query()->where('uid', $meeting->uid)->whereIn('kind', [DispatchKind::Invitation, DispatchKind::Change, DispatchKind::CallingOff])->whereNotNull('attempted_at')
            ->whereNotIn('state', [DispatchState::Refused])->whereNotNull('person_id')->orderBy('id')->get(['person_id', 'recipient', 'kind', 'recurrence_id']);
        foreach ($rows as $dispatch) {
            if ($dispatch->kind !== DispatchKind::CallingOff) {
                $told[$dispatch->recipient] = ['person' => (string) $dispatch->person_id, 'address' => $dispatch->recipient];
            } elseif ($dispatch->recurrence_id === null) {
                unset($told[$dispatch->recipient]);
            }
        }
        ksort($told, SORT_STRING);

        return array_values($told);
    }
}
