<?php

declare(strict_types=1);

namespace App\Joining;

use App\Failure\BridgeFailed;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Once a minute: a room in which several meetings are held goes over to the rules of the next meeting in it, when the last one has ended. */
final class SettleStanding implements ShouldQueue
{
    use Queueable;

    public function handle(WantedRooms $rooms): void
    {
        foreach ($rooms->changedHands() as $roomId) {
            try {
                SettleRoom::dispatchSync($roomId);
            } catch (BridgeFailed) {
                // It is asked again as soon as something is held there.
                SettleRoom::dispatch($roomId)->delay(60);
            }
        }
    }
}
