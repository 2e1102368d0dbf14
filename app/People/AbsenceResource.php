<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Http\Request;

/** An absence as it is shown: its note to others only if its person says so. */
final class AbsenceResource
{
    /** @return array{id: int, personId: string, fromOn: string, untilOn: string, standIn: ?array<string, mixed>, note: ?string, showsNote: bool} */
    public static function of(Absence $absence, bool $isOwn): array
    {
        $absence->loadMissing('standIn');

        return [
            'id' => $absence->id,
            'personId' => $absence->person_id,
            'fromOn' => $absence->from_on->format('Y-m-d'),
            'untilOn' => $absence->until_on->format('Y-m-d'),
            'standIn' => $absence->standIn === null ? null : (new PersonResource($absence->standIn))->toArray(Request::create('/')),
            'note' => $isOwn || $absence->shows_note ? $absence->note : null,
            'showsNote' => $absence->shows_note,
        ];
    }
}
