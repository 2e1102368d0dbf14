<?php

declare(strict_types=1);

namespace App\Planning;

use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Syndex\Core\Time\ZoneData;

/** Each hour: follows a change of zone data, moves the horizon on, and lays down again what was laid with older zone data. Safe to run twice. */
final class TopUpOccurrences implements ShouldQueue
{
    use Queueable;

    public function handle(LayDown $layDown, ZoneData $zones, FollowZoneData $followZoneData): void
    {
        $followZoneData();
        $horizon = now()->startOfDay()->addDays((int) config('syndex.horizon_days'));
        Meeting::query()
            ->whereIn('status', [MeetingStatus::Kept, MeetingStatus::Sent])
            ->where(Over::isNot())
            ->where(fn($q) => $q->where('laid_until_on', '<', $horizon->format('Y-m-d'))->orWhere('laid_zone_data', '!=', $zones->version()))
            ->lazyById(100)
            ->each(static fn(Meeting $meeting) => $meeting->laid_zone_data === $zones->version() ? $layDown->further($meeting) : $layDown->ahead($meeting));
    }
}
