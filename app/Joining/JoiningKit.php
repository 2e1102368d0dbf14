<?php

declare(strict_types=1);

namespace App\Joining;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * What one needs to come in: link, number, passcode, telephone numbers and PIN. Secrets lie encrypted.
 *
 * @property string $room_id the meeting it was made for, or the person who keeps it
 * @property ?string $meeting_id
 * @property ?string $person_id who keeps it for many meetings; null: it is of one meeting
 * @property ?string $address of their own choosing, the last part of its link
 * @property ?CarbonImmutable $renewed_at since when people can hold what it holds now
 * @property string $bridge_id
 * @property string $link
 * @property ?string $open_link the same with the passcode in it; null: the bridge has none
 * @property string $number
 * @property string $passcode
 * @property string $pin
 * @property list<array{country: string, number: string, free?: bool}> $dial_ins
 * @property ?CarbonImmutable $closed_at
 * @property ?CarbonImmutable $unsettled_at since when it is not sure which passcode holds on the bridge
 * @property ?string $told what the bridge was told last: {@see RoomWanted::mark}
 */
final class JoiningKit extends Model
{
    protected $guarded = [];

    protected $hidden = ['open_link', 'passcode', 'pin'];

    protected function casts(): array
    {
        return ['open_link' => 'encrypted', 'passcode' => 'encrypted', 'pin' => 'encrypted', 'dial_ins' => 'array', 'closed_at' => 'immutable_datetime', 'unsettled_at' => 'immutable_datetime', 'renewed_at' => 'immutable_datetime'];
    }
}
