<?php

declare(strict_types=1);

namespace App\Invitations;

use App\Failure\NotNow;
use App\Joining\CloseRoom;
use App\Live\Live;
use App\Planning\Meeting;
use App\Planning\MeetingStatus;
use Illuminate\Support\Facades\DB;
use Syndex\Core\Invitations\Announce;
use Syndex\Core\Time\Instant;

/** Calls a meeting off: exactly those who were invited are told, and its room on the bridge is closed. */
final readonly class CallOffMeeting
{
    public function __construct(private SnapshotOf $snapshot, private WriteLetter $letters, private Outbox $outbox, private Live $live) {}

    public function __invoke(Meeting $meeting): Meeting
    {
        return DB::transaction(function () use ($meeting): Meeting {
            $meeting = Meeting::query()->lockForUpdate()->findOrFail($meeting->id);
            if ($meeting->status !== MeetingStatus::Sent) {
                throw NotNow::locked($meeting->status->value);
            }
            if ($meeting->last_ends_at !== null && $meeting->last_ends_at->isPast()) {
                throw NotNow::over();
            }
            $messages = Announce::calledOff($this->snapshot->meeting($meeting), Instant::ofSeconds(now()->getTimestamp()));
            foreach ($messages as $message) {
                $person = Recipient::of($meeting, $message);
                $letter = $this->letters->callingOff($meeting, $person);
                $this->outbox->about($meeting->id, $meeting->uid, $person, $message, $letter->subject, static fn(string $id): string => PackMail::invitation($meeting, $person, $letter, $message, $id));
            }
            $meeting->update([
                'status' => MeetingStatus::CalledOff,
                'called_off_at' => now(),
                'sequence' => $messages[0]->sequence ?? $meeting->sequence + 1,
                'version' => $meeting->version + 1,
            ]);
            if ($meeting->kit !== null) {
                CloseRoom::dispatch($meeting->kit->bridge_id);
            }
            $this->live->tell([Live::COORDINATION, ...SendMeeting::channels($meeting)], 'meeting', $meeting->id);

            return $meeting;
        });
    }
}
