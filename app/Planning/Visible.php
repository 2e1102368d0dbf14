<?php

declare(strict_types=1);

namespace App\Planning;

use App\People\Account;
use Illuminate\Database\Eloquent\Builder;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Who sees which meetings: whoever plans sees all, a colleague those that they were told of. */
final class Visible
{
    public function orNotFound(Account $account, Meeting $meeting): void
    {
        if ($account->role->plans()) {
            return;
        }
        $told = in_array($meeting->status, [MeetingStatus::Sent, MeetingStatus::CalledOff], true);
        if (!$told || !Attendee::query()->where('meeting_id', $meeting->id)->where('person_id', $account->person_id)->exists()) {
            // Not even that it exists is told.
            throw new NotFoundHttpException();
        }
    }

    /**
     * @param  Builder<Meeting>  $query
     * @return Builder<Meeting>
     */
    public function only(Builder $query, Account $account): Builder
    {
        return $account->role->plans() ? $query : $query
            ->whereIn('status', [MeetingStatus::Sent, MeetingStatus::CalledOff])
            ->whereIn('id', Attendee::query()->select('meeting_id')->where('person_id', $account->person_id));
    }

    /**
     * Those that concern somebody: they plan them, or are invited.
     *
     * @param  Builder<Meeting>  $query
     * @return Builder<Meeting>
     */
    public function own(Builder $query, Account $account): Builder
    {
        return $this->only($query, $account)->where(static fn(Builder $q) => $q
            ->where('coordinator_id', $account->id)
            ->orWhereIn('id', Attendee::query()->select('meeting_id')->where('person_id', $account->person_id)));
    }
}
