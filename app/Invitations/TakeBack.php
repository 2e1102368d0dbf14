<?php

declare(strict_types=1);

namespace App\Invitations;

use App\Failure\NotNow;
use App\Live\Live;
use App\Planning\Meeting;
use App\Planning\MeetingStatus;
use Illuminate\Support\Facades\DB;

/** Takes a meeting back that was sent a moment ago, while not one of its mails has left. */
final readonly class TakeBack
{
    public function __construct(private Live $live) {}

    public function __invoke(Meeting $meeting): Meeting
    {
        return DB::transaction(function () use ($meeting): Meeting {
            $meeting = Meeting::query()->lockForUpdate()->findOrFail($meeting->id);
            if ($meeting->status !== MeetingStatus::Sent) {
                throw NotNow::locked($meeting->status->value);
            }
            $dispatches = Dispatch::query()->where('meeting_id', $meeting->id)->where('sequence', $meeting->sequence)->whereNot('state', DispatchState::TakenBack)->lockForUpdate()->get();
            if ($dispatches->contains(static fn(Dispatch $d): bool => $d->state !== DispatchState::Waiting || $d->tries > 0)) {
                throw NotNow::tooLateToTakeBack();
            }
            Dispatch::query()->whereIn('id', $dispatches->pluck('id'))->update(['state' => DispatchState::TakenBack]);
            $meeting->update(['status' => $meeting->kept_at === null ? MeetingStatus::Draft : MeetingStatus::Kept, 'sent_at' => null, 'version' => $meeting->version + 1]);
            $this->live->tell([Live::COORDINATION, ...SendMeeting::channels($meeting)], 'meeting', $meeting->id);

            return $meeting;
        });
    }
}
