<?php

declare(strict_types=1);

namespace App\Invitations;

use App\Failure\BridgeFailed;
use App\Failure\Decide;
use App\Failure\NotNow;
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
        try {
            Decide::on(function () use ($meeting, $what): void {
                $meeting = Meeting::query()->lockForUpdate()->findOrFail($meeting->id);
                if ($meeting->status !== MeetingStatus::Sent || !$meeting->join_mode->hasKit() || $meeting->kit === null) {
                    throw NotNow::locked($meeting->status->value);
                }
                if (Over::is($meeting)) {
                    throw NotNow::over();
                }
                $this->makeKit->anew($meeting->room_of, $this->rooms->wanted($meeting), $what);
            });
        } catch (BridgeFailed $failed) {
            MakeKit::settleLater($meeting->room_of, $failed);

            throw $failed;
        }
    }
}
