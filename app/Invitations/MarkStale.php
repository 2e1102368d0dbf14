<?php

declare(strict_types=1);

namespace App\Invitations;

use App\Joining\KitChanged;
use App\Live\Live;
use App\Planning\Meeting;
use App\Planning\MeetingStatus;
use App\Planning\Over;
use App\Planning\RoomOf;
use Illuminate\Database\Eloquent\Builder;

/** Marks every meeting whose people hold what no longer opens its room, until they are told. */
final readonly class MarkStale
{
    public function __construct(private Live $live) {}

    public function handle(KitChanged $changed): void
    {
        foreach (self::sharing($changed->roomId)->get() as $meeting) {
            $meeting->update(['kit_stale_at' => now()]);
            $this->live->tell([Live::COORDINATION], 'meeting', $meeting->id);
        }
    }

    /** @return Builder<Meeting> sent meetings in one room that are not over */
    public static function sharing(string $roomOf): Builder
    {
        return Meeting::query()->whereNull('changes_id')->where('status', MeetingStatus::Sent)->where(RoomOf::isHeldIn($roomOf))->where(Over::isNot());
    }
}
