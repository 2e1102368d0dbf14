<?php

declare(strict_types=1);

namespace App\Invitations;

use App\Failure\Decide;
use App\Failure\NotNow;
use App\Live\Live;
use App\Planning\Meeting;
use App\Planning\MeetingStatus;

/** Takes a meeting back that was sent a moment ago, while not one of its mails has left. */
final readonly class TakeBack
{
    public function __construct(private Live $live) {}

    public function __invoke(Meeting $meeting): Meeting
    {
        return Decide::on(function () use ($meeting): Meeting {
            $meeting = Meeting::query()->lockForUpdate()->findOrFail($meeting->id);
            if ($meeting->status !== MeetingStatus::Sent) {
                throw NotNow::locked($meeting->status->value);
            }
            $step = Dispatch::query()->where('meeting_id', $meeting->id)->where('snapshot_id', Snapshot::query()->where('meeting_id', $meeting->id)->max('id'))->whereNot('state', DispatchState::TakenBack)
                ->lockForUpdate()->get(['id', 'state', 'attempted_at']);
            if ($step->contains(static fn(Dispatch $d): bool => $d->attempted_at !== null || !in_array($d->state, [DispatchState::Waiting, DispatchState::Sending], true))) {
                throw NotNow::tooLateToTakeBack();
            }
            // One that a worker has in hand, but has not begun to send, it will find taken back.
            Dispatch::query()->whereIn('id', $step->pluck('id'))->update(['state' => DispatchState::TakenBack, 'claimed_by' => null]);
            $meeting->update(['status' => $meeting->kept_at === null ? MeetingStatus::Draft : MeetingStatus::Kept, 'sent_at' => null, 'version' => $meeting->version + 1]);
            $this->live->tell([Live::COORDINATION, ...SendMeeting::channels($meeting)], 'meeting', $meeting->id);

            return $meeting;
        });
    }
}
