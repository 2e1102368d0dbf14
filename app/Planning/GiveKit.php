<?php

declare(strict_types=1);

namespace App\Planning;

use App\Failure\BridgeFailed;
use App\Failure\NotNow;
use App\Joining\JoiningKit;
use App\Joining\MakeKit;
use Syndex\Core\Joining\Passcode;
use Syndex\Core\Joining\RoomSetting;

/** Gives a meeting its kit. It stays locked while the bridge is asked, so that it is not sent, discarded or asked for twice meanwhile. */
final readonly class GiveKit
{
    public function __construct(private MakeKit $makeKit, private RoomOf $rooms) {}

    /**
     * The kit it has, or one made now.
     *
     * @param  bool  $again  where the bridge is away, it is asked again later by itself
     */
    public function __invoke(Meeting $meeting, bool $again = true): JoiningKit
    {
        try {
            return $this->wanted($meeting);
        } catch (BridgeFailed $failed) {
            if ($again) {
                MakeRoom::dispatch($meeting->id)->delay(5);
            }

            throw $failed;
        }
    }

    private function wanted(Meeting $meeting): JoiningKit
    {
        return $this->decided($meeting, fn(Meeting $meeting): JoiningKit => $this->makeKit->keptOrMade($meeting->room_of, $this->rooms->wanted($meeting)));
    }

    /** @param ?string $typed a passcode of the coordinator's own; null or empty: it is made up */
    public function withPasscode(Meeting $meeting, #[\SensitiveParameter] ?string $typed): JoiningKit
    {
        if ($meeting->changes_id !== null && $meeting->kit !== null) {
            // Its people hold the passcode already: a new one is a change of its own kind.
            throw NotNow::kitIsKnown();
        }
        $passcode = $typed === null || $typed === '' ? null : Passcode::typed($typed, (int) $this->rooms->rules($meeting)->number(RoomSetting::PasscodeLength));

        return $this->decided($meeting, fn(Meeting $meeting): JoiningKit => $this->makeKit->withPasscode($meeting->room_of, $this->rooms->wanted($meeting), $passcode));
    }

    /** @param \Closure(Meeting): JoiningKit $decision */
    private function decided(Meeting $meeting, \Closure $decision): JoiningKit
    {
        return MakeKit::decided($meeting->room_of, static function () use ($meeting, $decision): JoiningKit {
            $meeting = Meeting::query()->lockForUpdate()->findOrFail($meeting->id);
            if (!$meeting->status->isEditable()) {
                throw NotNow::locked($meeting->status->value);
            }
            RoomOf::lockKeeper($meeting);

            return $decision($meeting);
        });
    }
}
