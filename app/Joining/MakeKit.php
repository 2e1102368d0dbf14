<?php

declare(strict_types=1);

namespace App\Joining;

use App\Failure\BridgeFailed;
use App\Failure\Decide;
use App\Failure\NotNow;
use App\Planning\Meeting;
use Syndex\Core\Joining\DialIn;
use Syndex\Core\Joining\Passcode;
use Syndex\Core\Joining\Pin;
use Syndex\Core\Joining\Randomness;

/**
 * Gets a meeting its one-off kit from the bridge, or gives the kit it has another passcode.
 *
 * The meeting stays locked while the bridge is asked, so that it is not sent, discarded or asked for twice meanwhile. Whether
 * the bridge did as asked is not sure where it does not answer: then the kit is marked, and the bridge is told again what holds
 * until it has said yes.
 */
final readonly class MakeKit
{
    public function __construct(private Bridge $bridge, private Randomness $randomness) {}

    /** The kit it has, or one made now. */
    public function __invoke(Meeting $meeting): JoiningKit
    {
        return $this->decided($meeting, fn(Meeting $meeting, ?JoiningKit $kit): JoiningKit => $kit ?? $this->made($meeting, Passcode::made($this->randomness)));
    }

    /** @param ?string $typed a passcode of the coordinator's own; null or empty: it is made up */
    public function withPasscode(Meeting $meeting, #[\SensitiveParameter] ?string $typed): JoiningKit
    {
        $passcode = $typed === null || $typed === '' ? Passcode::made($this->randomness) : Passcode::typed($typed);

        return $this->decided($meeting, fn(Meeting $meeting, ?JoiningKit $kit): JoiningKit => $kit === null ? $this->made($meeting, $passcode) : $this->changed($meeting, $kit, $passcode));
    }

    /** @param \Closure(Meeting, ?JoiningKit): JoiningKit $decision */
    private function decided(Meeting $meeting, \Closure $decision): JoiningKit
    {
        try {
            return Decide::on(static function () use ($meeting, $decision): JoiningKit {
                $meeting = Meeting::query()->lockForUpdate()->findOrFail($meeting->id);
                if (!$meeting->status->isEditable()) {
                    throw NotNow::locked($meeting->status->value);
                }

                return $decision($meeting, JoiningKit::query()->where('meeting_id', $meeting->id)->lockForUpdate()->first());
            });
        } catch (BridgeFailed $failed) {
            if (!$failed->didNothing()) {
                SettleRoom::unsure($meeting->id);
            }

            throw $failed;
        }
    }

    private function made(Meeting $meeting, Passcode $passcode): JoiningKit
    {
        $pin = Pin::made($this->randomness);
        $room = $this->bridge->settle(RoomRef::of($meeting->id), $meeting->title, $passcode, $pin);

        return JoiningKit::query()->create([
            'meeting_id' => $meeting->id,
            'bridge_id' => $room->id,
            'link' => $room->link,
            'number' => $room->number->digits,
            'passcode' => $passcode->text,
            'pin' => $pin->digits,
            'dial_ins' => array_map(static fn(DialIn $d): array => ['country' => $d->country, 'number' => $d->number], $room->dialIns),
        ]);
    }

    private function changed(Meeting $meeting, JoiningKit $kit, Passcode $passcode): JoiningKit
    {
        $this->bridge->settle(RoomRef::of($meeting->id), $meeting->title, $passcode, Pin::of($kit->pin));
        $kit->update(['passcode' => $passcode->text, 'unsettled_at' => null]);

        return $kit;
    }
}
