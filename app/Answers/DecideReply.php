<?php

declare(strict_types=1);

namespace App\Answers;

use App\Failure\Decide;
use App\Failure\NotNow;
use App\Invitations\InviteMore;
use App\Live\Live;
use App\People\Account;
use App\People\FindOrRemember;
use App\People\Person;
use App\Planning\Attendee;
use App\Planning\Meeting;
use Syndex\Core\ICalendar\AttendeeRole;
use Syndex\Core\Time\WallTime;

/** What the coordinator decides of what came: it counts after all, somebody else comes instead, or nothing is to be done. */
final readonly class DecideReply
{
    public function __construct(private TakeAnswer $take, private InviteMore $invite, private FindOrRemember $find, private Live $live) {}

    /** @throws NotNow if it was decided already, or it is nothing that could count */
    public function take(Meeting $meeting, Reply $reply, Account $by): void
    {
        Decide::on(function () use ($meeting, $reply, $by): void {
            $reply = $this->open($reply);
            $person = $reply->person_id === null ? null : Person::query()->find($reply->person_id);
            // Of one date alone it is a change of that date's people, which the coordinator makes on its sheet.
            if ($reply->kind === ReplyKind::HandedOn && $reply->state === ReplyState::Waiting && $reply->date_local === null && $person !== null && $reply->delegate !== null) {
                $this->handOn($meeting, $person, $reply->delegate, $by);
            } elseif ($reply->kind === ReplyKind::Answer && $person !== null && in_array($reply->partstat, TakeAnswer::PARTSTATS, true)) {
                ($this->take)($meeting, $person, $reply->date_local === null ? null : WallTime::parse($reply->date_local->format('Y-m-d\TH:i:s')), $reply->partstat, $reply->comment, Via::Mail, by: $by);
            } else {
                throw NotNow::decidedAlready();
            }
            $reply->update(['state' => ReplyState::Agreed, 'decided_by' => $by->id, 'decided_at' => now(), 'mail' => null]);
            $this->live->tell([Live::COORDINATION], 'answer', $meeting->id);
        });
    }

    /** @throws NotNow if it was decided already */
    public function dismiss(Meeting $meeting, Reply $reply, Account $by): void
    {
        Decide::on(function () use ($meeting, $reply, $by): void {
            $this->open($reply)->update(['state' => ReplyState::Refused, 'decided_by' => $by->id, 'decided_at' => now(), 'mail' => null]);
            $this->live->tell([Live::COORDINATION], 'answer', $meeting->id);
        });
    }

    private function open(Reply $reply): Reply
    {
        $reply = Reply::query()->lockForUpdate()->findOrFail($reply->id);

        return in_array($reply->state, [ReplyState::Waiting, ReplyState::Aside], true) ? $reply : throw NotNow::decidedAlready();
    }

    /** The delegate is invited with the role of the one who hands on, who is asked for no answer any more (RFC 5546 3.2.2.3). */
    private function handOn(Meeting $meeting, Person $person, string $address, Account $by): void
    {
        $asked = $meeting->attendees()->where('person_id', $person->id)->first();
        $delegate = ($this->find)($address, null);
        ($this->invite)($meeting, [$delegate->id], $asked instanceof Attendee ? $asked->role : AttendeeRole::Optional, $by);
        $meeting->attendees()->where('person_id', $person->id)->update(['partstat' => 'delegated', 'delegate_id' => $delegate->id]);
    }
}
