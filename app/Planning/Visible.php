<?php

declare(strict_types=1);

namespace App\Planning;

use App\People\Account;
use Illuminate\Database\Eloquent\Builder;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Who sees which meetings: whoever plans sees all, a colleague those that they were told of, and the sheets of changes that are theirs to make. */
final readonly class Visible
{
    public function __construct(private AttendeeRights $rights) {}

    public function orNotFound(Account $account, Meeting $meeting): void
    {
        if ($account->role->plans()) {
            return;
        }
        if ($meeting->changes_id !== null && $this->rights->mayChange($account, $meeting)) {
            return;
        }
        $told = in_array($meeting->status, [MeetingStatus::Sent, MeetingStatus::CalledOff], true);
        if (!$told || !Meeting::query()->whereKey($meeting->id)->where(static fn(Builder $q) => self::isAsked($q, $account->person_id))->exists()) {
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
            ->where(static fn(Builder $q) => self::isAsked($q, $account->person_id));
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
            ->orWhere(static fn(Builder $asked) => self::isAsked($asked, $account->person_id)));
    }

    /**
     * Who is asked to the whole of a meeting or to a date of it.
     *
     * @param  Builder<Meeting>  $query
     * @return Builder<Meeting>
     */
    public static function isAsked(Builder $query, string $personId): Builder
    {
        return $query
            ->whereIn('id', Attendee::query()->select('meeting_id')->where('person_id', $personId))
            ->orWhereIn('id', OwnDate::query()->select('meeting_id')->whereIn('id', DateAttendee::query()->select('meeting_date_id')->where('person_id', $personId)));
    }
}
