<?php

declare(strict_types=1);

namespace App\Invitations;

use App\Failure\Decide;
use App\Failure\NotNow;
use App\Failure\NotYours;
use App\Live\Live;
use App\People\Account;
use App\People\Person;
use App\People\Role;
use App\Planning\Meeting;
use App\Planning\MeetingStatus;
use App\Planning\Over;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Query\Builder as Query;
use Syndex\Core\Invitations\Method;

/** Sends once more what was refused or given up: to the same address, or to the one that its person has by now. */
final readonly class SendAgain
{
    public function __construct(private Outbox $outbox, private Live $live) {}

    public function one(Dispatch $dispatch, Account $by): void
    {
        // Who signs in is an administrator's business.
        if ($dispatch->kind === DispatchKind::AccountLink && $by->role !== Role::Administrator) {
            throw NotYours::accountMail();
        }
        if (!$this->again($dispatch->id)) {
            throw NotNow::notAgain();
        }
    }

    /** @return int how many are on their way again */
    public function all(?string $meetingId, Account $by): int
    {
        $ids = self::undeliveredFor($by)->when($meetingId !== null, static fn(Builder $q) => $q->where('meeting_id', $meetingId))->orderBy('id')->pluck('id');

        return $ids->filter($this->again(...))->count();
    }

    /** @return Builder<Dispatch> what did not arrive and still should */
    private static function undelivered(): Builder
    {
        return Dispatch::query()->whereIn('dispatches.state', [DispatchState::Refused, DispatchState::GivenUp])
            // What came after it for the same person says all that it said.
            ->whereNotExists(static fn(Query $q) => $q->from('dispatches as later')->whereColumn('later.uid', 'dispatches.uid')->whereColumn('later.recipient', 'dispatches.recipient')->whereColumn('later.id', '>', 'dispatches.id')
                ->whereIn('later.state', [DispatchState::Waiting, DispatchState::Sending, DispatchState::Sent])->whereNull('later.recurrence_id'))
            ->where(static fn(Builder $q) => $q
                ->where(static fn(Builder $i) => $i->whereIn('kind', [DispatchKind::Invitation, DispatchKind::Change])->whereHas('meeting', static fn(Builder $m) => self::lies($m, MeetingStatus::Sent)))
                ->orWhere(static fn(Builder $c) => $c->where('kind', DispatchKind::CallingOff)->whereHas('meeting', static fn(Builder $m) => self::lies($m, MeetingStatus::CalledOff, MeetingStatus::Sent)))
                // Times are asked about while the meeting is planned and nobody asked again.
                ->orWhere(static fn(Builder $t) => $t->where('kind', DispatchKind::TimeOffer)->where('created_at', '>', now()->subWeek())
                    ->whereHas('meeting', static fn(Builder $m) => self::lies($m, MeetingStatus::Draft, MeetingStatus::Kept))
                    ->whereExists(static fn(Query $q) => $q->from('time_offers')->whereColumn('time_offers.meeting_id', 'dispatches.meeting_id')->whereNot('time_offers.state', 'called_off'))
                    ->whereNotExists(static fn(Query $q) => $q->from('dispatches as asked')->whereColumn('asked.meeting_id', 'dispatches.meeting_id')->whereColumn('asked.person_id', 'dispatches.person_id')->where('asked.kind', DispatchKind::TimeOffer)->whereColumn('asked.id', '>', 'dispatches.id')))
                ->orWhere(static fn(Builder $a) => $a->where('kind', DispatchKind::AccountLink)->where('created_at', '>', now()->subWeek())));
    }

    /** @return Builder<Dispatch> those that are this account's business: who signs in is an administrator's */
    public static function undeliveredFor(Account $account): Builder
    {
        return self::undelivered()->when($account->role !== Role::Administrator, static fn(Builder $q) => $q->whereNot('kind', DispatchKind::AccountLink));
    }

    /** @param Builder<Meeting> $meeting */
    private static function lies(Builder $meeting, MeetingStatus ...$status): void
    {
        $meeting->whereIn('status', $status)->where(Over::isNot());
    }

    private function again(int $id): bool
    {
        return Decide::on(function () use ($id): bool {
            $meetingId = Dispatch::query()->whereKey($id)->value('meeting_id');
            // Locked first, as by everybody who writes dispatches of it.
            $meeting = $meetingId === null ? null : Meeting::query()->whereKey($meetingId)->lockForUpdate()->first();
            $dispatch = self::undelivered()->whereKey($id)->lockForUpdate()->first();
            if ($dispatch === null) {
                return false;
            }
            $person = Person::query()->find($dispatch->person_id);
            if ($meeting !== null && $person !== null && in_array($dispatch->kind, [DispatchKind::Invitation, DispatchKind::Change], true) && $person->email !== $dispatch->recipient) {
                $dispatch->update(['state' => DispatchState::Replaced]);
                $this->outbox->tell($meeting, Method::Request, $meeting->sequence, [['person' => $person->id, 'address' => $person->email]]);
            } else {
                $dispatch->update(['state' => DispatchState::Waiting, 'tries' => 0, 'next_try_at' => now(), 'claimed_by' => null]);
            }
            $this->live->tell([Live::COORDINATION], 'dispatch', (string) $id);

            return true;
        });
    }
}
