<?php

declare(strict_types=1);

namespace App\Invitations;

use App\Failure\NotNow;
use App\Joining\JoiningKit;
use App\Joining\MakeKit;
use App\Planning\Meeting;
use App\Planning\MeetingStatus;
use App\Planning\Over;
use App\Planning\RoomOf;

/** Gives a sent meeting another passcode, PIN or link. Until its people are told it is marked: {@see MarkStale}, {@see CorrectKits}. */
final readonly class ReissueKit
{
    public function __construct(private MakeKit $makeKit, private RoomOf $rooms) {}

    /** @param list<'passcode'|'pin'|'link'> $what */
    public function __invoke(Meeting $meeting, array $what): void
    {
        MakeKit::decided($meeting->room_of, function () use ($meeting, $what): JoiningKit {
            $meeting = Meeting::query()->lockForUpdate()->findOrFail($meeting->id);
            if ($meeting->status !== MeetingStatus::Sent || !$meeting->join_mode->hasKit() || $meeting->kit === null) {
                throw NotNow::locked($meeting->status->value);
            }
            if (Over::is($meeting)) {
                throw NotNow::over();
            }
            RoomOf::lockKeeper($meeting);

            return $this->makeKit->anew($meeting->room_of, $this->rooms->wanted($meeting), $what);
        });
    }
}
