<?php

declare(strict_types=1);

namespace App\Joining;

use App\Failure\BridgeFailed;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Finds the kits of which it has not been sure for a while what holds: whoever asked the bridge died before writing down its answer, or gave up. */
final class SettleUnsure implements ShouldQueue
{
    use Queueable;

    /** Longer than anybody waits for the bridge. */
    private const SECONDS = 60;

    public function handle(): void
    {
        foreach (JoiningKit::query()->whereNull('closed_at')->where('unsettled_at', '<', now()->subSeconds(self::SECONDS))->pluck('room_id') as $roomId) {
            try {
                SettleRoom::dispatchSync((string) $roomId);
            } catch (BridgeFailed) {
                // It is asked again a minute from now.
            }
        }
    }
}
