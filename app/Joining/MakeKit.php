<?php

declare(strict_types=1);

namespace App\Joining;

use App\Failure\NotNow;
use App\Planning\Meeting;
use Illuminate\Support\Facades\DB;
use Syndex\Core\Joining\DialIn;
use Syndex\Core\Joining\Passcode;
use Syndex\Core\Joining\Pin;
use Syndex\Core\Joining\Randomness;

/** Gets a meeting its one-off kit from the bridge, or gives the kit it has another passcode. */
final readonly class MakeKit
{
    public function __construct(private Bridge $bridge, private Randomness $randomness) {}

    /** @param ?string $typed a passcode of the coordinator's own; null or empty: it is made up */
    public function __invoke(Meeting $meeting, #[\SensitiveParameter] ?string $typed): JoiningKit
    {
        if (!$meeting->status->isEditable()) {
            throw NotNow::locked($meeting->status->value);
        }
        $passcode = $typed === null || $typed === '' ? null : Passcode::typed($typed);
        $kit = JoiningKit::query()->where('meeting_id', $meeting->id)->first();
        if ($kit !== null) {
            return $this->changed($kit, $passcode ?? Passcode::made($this->randomness));
        }
        $passcode ??= Passcode::made($this->randomness);
        $pin = Pin::made($this->randomness);
        $room = $this->bridge->open($meeting->title, $passcode, $pin);

        return DB::transaction(fn(): JoiningKit => JoiningKit::query()->create([
            'meeting_id' => $meeting->id,
            'bridge_id' => $room->id,
            'link' => $room->link,
            'number' => $room->number->digits,
            'passcode' => $passcode->text,
            'pin' => $pin->digits,
            'dial_ins' => array_map(static fn(DialIn $d): array => ['country' => $d->country, 'number' => $d->number], $room->dialIns),
        ]));
    }

    private function changed(JoiningKit $kit, Passcode $passcode): JoiningKit
    {
        $this->bridge->changePasscode($kit->bridge_id, $passcode);
        $kit->update(['passcode' => $passcode->text]);

        return $kit;
    }
}
