<?php

declare(strict_types=1);

namespace App\Joining;

use App\Failure\BridgeFailed;
use App\Failure\Decide;
use App\Failure\Refusal;
use Syndex\Core\Joining\DialIn;
use Syndex\Core\Joining\Passcode;
use Syndex\Core\Joining\Pin;
use Syndex\Core\Joining\Randomness;
use Syndex\Core\Joining\RoomSetting;

/**
 * Gets a room its kit from the bridge, of one meeting or standing, or gives the kit it has another passcode. Within {@see decided}, by a decision
 * that holds the meeting.
 *
 * Whether the bridge did as asked is not sure where it does not answer: the kit stays marked, and the bridge is told again what
 * holds until it has said yes ({@see SettleRoom}).
 */
final readonly class MakeKit
{
    public function __construct(private Bridge $bridge, private Randomness $randomness) {}

    /** The kit it has, or one made now. */
    public function keptOrMade(string $roomId, RoomWanted $wanted): JoiningKit
    {
        $kit = self::kept($roomId);

        return match (true) {
            $kit === null => $this->made($roomId, $wanted, $this->fresh($wanted)),
            // It was left for another, and closed since.
            $kit->closed_at !== null => $this->changed($kit, $wanted, $this->fresh($wanted)),
            default => $kit,
        };
    }

    /** @param ?Passcode $typed one of the coordinator's own; null: it is made up */
    public function withPasscode(string $roomId, RoomWanted $wanted, #[\SensitiveParameter] ?Passcode $typed): JoiningKit
    {
        $passcode = $typed ?? $this->fresh($wanted);
        $kit = self::kept($roomId);

        return $kit === null ? $this->made($roomId, $wanted, $passcode) : $this->changed($kit, $wanted, $passcode);
    }

    private function fresh(RoomWanted $wanted): Passcode
    {
        return Passcode::made($this->randomness, (int) $wanted->rules->number(RoomSetting::PasscodeLength));
    }

    /**
     * Runs a decision in which the bridge is asked. The kit is marked before that, in a write of its own, and the mark is taken away
     * where it is sure that bridge and kit agree: so not even a process that dies in between leaves a passcode that does not hold.
     *
     * @param  \Closure(): JoiningKit  $decision  safe to run again from its beginning
     */
    public static function decided(string $roomId, \Closure $decision): JoiningKit
    {
        $isMarked = JoiningKit::query()->where('room_id', $roomId)->whereNull('unsettled_at')->update(['unsettled_at' => now()]) > 0;
        $isSure = false;
        try {
            $kit = Decide::on($decision);
            $isSure = true;

            return $kit;
        } catch (Refusal $refused) {
            $isSure = !$refused instanceof BridgeFailed || $refused->didNothing();

            throw $refused;
        } finally {
            if (!$isSure) {
                SettleRoom::unsure($roomId);
            } elseif ($isMarked) {
                JoiningKit::query()->where('room_id', $roomId)->update(['unsettled_at' => null]);
            }
        }
    }

    private static function kept(string $roomId): ?JoiningKit
    {
        return JoiningKit::query()->where('room_id', $roomId)->lockForUpdate()->first();
    }

    private function made(string $roomId, RoomWanted $wanted, Passcode $passcode): JoiningKit
    {
        $pin = Pin::made($this->randomness);
        $room = $this->bridge->settle(RoomRef::of($roomId), $wanted, $passcode, $pin);

        return JoiningKit::query()->create([
            'room_id' => $roomId,
            $wanted->isStanding ? 'person_id' : 'meeting_id' => $roomId,
            'renewed_at' => now(),
            'bridge_id' => $room->id,
            'link' => $room->link,
            'open_link' => $room->openLink,
            'number' => $room->number->digits,
            'passcode' => $passcode->text,
            'pin' => $pin->digits,
            'dial_ins' => self::dialIns($room),
            'told' => $wanted->mark(),
        ]);
    }

    private function changed(JoiningKit $kit, RoomWanted $wanted, Passcode $passcode, ?Pin $pin = null): JoiningKit
    {
        $pin ??= Pin::of($kit->pin);

        return self::settled($kit, $this->bridge->settle(RoomRef::of($kit->room_id), $wanted, $passcode, $pin), $wanted, $passcode, $pin);
    }

    /** The kit as it is, on a room that is to be otherwise. */
    public function asWanted(JoiningKit $kit, RoomWanted $wanted): JoiningKit
    {
        return $this->changed($kit, $wanted, Passcode::typed($kit->passcode), Pin::of($kit->pin));
    }

    /** Writes down what the bridge said, which may be another link: it forgets rooms too. */
    public static function settled(JoiningKit $kit, BridgeMeeting $room, RoomWanted $wanted, Passcode $passcode, Pin $pin): JoiningKit
    {
        $was = [$kit->link, $kit->number, $kit->passcode, $kit->pin];
        $kit->update([
            'bridge_id' => $room->id, 'link' => $room->link, 'open_link' => $room->openLink, 'number' => $room->number->digits, 'dial_ins' => self::dialIns($room), 'passcode' => $passcode->text, 'pin' => $pin->digits,
            'unsettled_at' => null, 'told' => $wanted->mark(), 'closed_at' => null,
        ]);
        if ($was !== [$kit->link, $kit->number, $kit->passcode, $kit->pin]) {
            $kit->update(['renewed_at' => now()]);
            event(new KitChanged($kit->room_id));
        }

        return $kit;
    }

    /**
     * Another passcode, another PIN, or a room with a link and a number of its own: for whoever hears that they got about.
     *
     * @param  list<'passcode'|'pin'|'link'>  $what
     */
    public function anew(string $roomId, RoomWanted $wanted, array $what): JoiningKit
    {
        $kit = self::kept($roomId) ?? throw new \LogicException("Room $roomId has no kit.");
        $change = fn(): JoiningKit => $this->changed($kit, $wanted, in_array('passcode', $what, true) ? $this->fresh($wanted) : Passcode::typed($kit->passcode), in_array('pin', $what, true) ? Pin::made($this->randomness) : null);
        if (!in_array('link', $what, true)) {
            return $change();
        }
        // A closed room's name opens another room.
        $this->bridge->close(RoomRef::of($roomId));
        try {
            return $change();
        } catch (BridgeFailed $failed) {
            throw $failed->halfway();
        }
    }

    /** @return list<array{country: string, number: string, free: bool}> */
    private static function dialIns(BridgeMeeting $room): array
    {
        return array_map(static fn(DialIn $d): array => ['country' => $d->country, 'number' => $d->number, 'free' => $d->free], $room->dialIns);
    }
}
