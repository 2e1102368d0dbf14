<?php

declare(strict_types=1);

namespace App\Planning;

use App\Failure\Decide;
use App\Failure\NotNow;
use App\Live\Live;

/** Keeps a meeting without telling anybody: it takes its people's time from now on. */
final readonly class KeepMeeting
{
    public function __construct(private LayDown $layDown, private Live $live) {}

    public function __invoke(Meeting $meeting): Meeting
    {
        return Decide::on(function () use ($meeting): Meeting {
            $meeting = Meeting::query()->lockForUpdate()->findOrFail($meeting->id);
            if ($meeting->changes_id !== null) {
                // The sheet of a change waits as it is; the meeting keeps its time.
                return $meeting;
            }
            if (!$meeting->status->isEditable()) {
                throw NotNow::locked($meeting->status->value);
            }
            $meeting->update(['status' => MeetingStatus::Kept, 'kept_at' => $meeting->kept_at ?? now(), 'version' => $meeting->version + 1]);
            $this->layDown->anew($meeting);
            $this->live->tell([Live::COORDINATION], 'meeting', $meeting->id);

            return $meeting;
        });
    }
}
