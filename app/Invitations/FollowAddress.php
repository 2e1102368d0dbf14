<?php

declare(strict_types=1);

namespace App\Invitations;

use App\People\Person;
use App\People\PersonAddressChanged;
use App\Planning\Meeting;
use App\Planning\MeetingStatus;
use Syndex\Core\Invitations\Method;

/** Somebody's address changed: an invitation that has not left yet goes to the new one instead. */
final readonly class FollowAddress
{
    public function __construct(private Outbox $outbox) {}

    public function handle(PersonAddressChanged $changed): void
    {
        $person = Person::query()->findOrFail($changed->personId);
        $meetings = Dispatch::query()->where('person_id', $person->id)->where('kind', DispatchKind::Invitation)->where('state', DispatchState::Waiting)->whereNull('attempted_at')->distinct()->pluck('meeting_id');
        foreach (Meeting::query()->whereIn('id', $meetings)->orderBy('id')->lockForUpdate()->get() as $meeting) {
            $replaced = Dispatch::query()->where('uid', $meeting->uid)->where('person_id', $person->id)->where('kind', DispatchKind::Invitation)->where('state', DispatchState::Waiting)->whereNull('attempted_at')->where('recipient', '!=', $person->email)->update(['state' => DispatchState::Replaced]);
            if ($replaced > 0 && $meeting->status === MeetingStatus::Sent) {
                $this->outbox->tell($meeting, Method::Request, $meeting->sequence, [['person' => $person->id, 'address' => $person->email]]);
            }
        }
    }
}
