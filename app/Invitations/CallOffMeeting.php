<?php

declare(strict_types=1);

namespace App\Invitations;

use App\Failure\Decide;
use App\Failure\NotNow;
use App\Joining\CloseRoom;
use App\Joining\SettleRoom;
use App\Live\Live;
use App\People\Account;
use App\Planning\Meeting;
use App\Planning\MeetingStatus;
use App\Planning\Over;
use App\Planning\RoomOf;
use Syndex\Core\Invitations\Method;

/** Calls a meeting off: exactly those who were invited are told, where they were invited, and its room on the bridge is closed. */
final readonly class CallOffMeeting
{
    public function __construct(private Outbox $outbox, private Live $live) {}

    public function __invoke(Meeting $meeting, ?Account $by = null, ?string $words = null): Meeting
    {
        return Decide::on(function () use ($meeting, $by, $words): Meeting {
            $meeting = Meeting::query()->lockForUpdate()->findOrFail($meeting->id);
            if ($meeting->status !== MeetingStatus::Sent) {
                throw NotNow::locked($meeting->status->value);
            }
            if (Over::is($meeting)) {
                throw NotNow::over();
            }
            $waiting = Dispatch::query()->where('uid', $meeting->uid)->where('state', DispatchState::Waiting)->lockForUpdate()->get(['id', 'recipient', 'person_id']);
            $told = Told::of($meeting);
            $addresses = [];
            foreach ($told as ['person' => $person, 'address' => $address]) {
                $addresses[$person][] = $address;
            }
            // What waits is replaced, also for those who will hear nothing since nothing had left for them.
            Dispatch::query()->whereIn('id', $waiting->pluck('id'))->update(['state' => DispatchState::Replaced]);
            $sequence = $meeting->sequence + 1;
            $step = Step::query()->create(['meeting_id' => $meeting->id, 'account_id' => $by?->id, 'kind' => StepKind::CalledOff, 'sequence' => $sequence, 'words' => $words]);
            $this->outbox->tell($meeting, Method::Cancel, $sequence, $told, $addresses, $step);
            $meeting->update(['status' => MeetingStatus::CalledOff, 'called_off_at' => now(), 'sequence' => $sequence, 'version' => $meeting->version + 1]);
            // A change that waited has nothing to change any more.
            Meeting::query()->where('changes_id', $meeting->id)->delete();
            self::closeRoom($meeting);
            $this->live->tell([Live::COORDINATION, ...SendMeeting::channels($meeting)], 'meeting', $meeting->id);

            return $meeting;
        });
    }

    /** Parts of a series that was cut go on in one room: the last of them closes it. */
    private static function closeRoom(Meeting $meeting): void
    {
        $others = Meeting::query()->whereKeyNot($meeting->id)->where('status', MeetingStatus::Sent)->where(RoomOf::isHeldIn($meeting->room_of))->where(Over::isNot());
        if ($meeting->standing_of !== null) {
            // It goes on under the rules of whatever is held there next.
            SettleRoom::dispatch($meeting->room_of)->afterCommit();
        } elseif (!$others->exists()) {
            CloseRoom::of($meeting->room_of);
        }
    }
}
