<?php

declare(strict_types=1);

namespace App\Planning;

use App\Joining\CloseRoom;
use App\Joining\JoiningKit;
use Illuminate\Support\Facades\DB;

/** Throws away a meeting of which nobody has been told; its room on the bridge is closed. */
final class DiscardDraft
{
    public function __invoke(Meeting $meeting): void
    {
        DB::transaction(function () use ($meeting): void {
            $kit = JoiningKit::query()->where('meeting_id', $meeting->id)->first();
            if ($kit !== null) {
                CloseRoom::dispatch($kit->bridge_id);
            }
            $meeting->delete();
        });
    }
}
