<?php

declare(strict_types=1);

namespace App\Planning;

use App\Joining\SettleRoom;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Once a day: the bridge hears of the next dates of series with more of them than it was told of at once. */
final class TellDates implements ShouldQueue
{
    use Queueable;

    public function handle(): void
    {
        foreach (Meeting::query()->whereNull('changes_id')->where('status', MeetingStatus::Sent)->whereNotNull('rrule')->whereNull('standing_of')->whereIn('join_mode', [JoinMode::Online, JoinMode::Both, JoinMode::Phone])->where(Over::isNot())->cursor() as $meeting) {
            SettleRoom::dispatch($meeting->room_of);
        }
    }
}
