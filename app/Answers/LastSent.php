<?php

declare(strict_types=1);

namespace App\Answers;

use App\Invitations\Dispatch;
use App\Invitations\DispatchKind;
use App\Invitations\DispatchState;
use App\Planning\Meeting;
use Illuminate\Database\Eloquent\Builder;
use Syndex\Core\Time\WallTime;

/** Which version of a meeting somebody was told last (RFC 5546 2.1.5): what has been decided to be told counts, though it may not have left yet. */
final class LastSent
{
    private const TOLD = [DispatchState::Waiting, DispatchState::Sending, DispatchState::Sent, DispatchState::Refused, DispatchState::GivenUp];

    /** @param ?WallTime $date of that date, as the series names it; null: of the whole */
    public static function to(Meeting $meeting, string $personId, ?WallTime $date): ?int
    {
        $sequence = Dispatch::query()->where('meeting_id', $meeting->id)->where('person_id', $personId)
            ->whereIn('kind', [DispatchKind::Invitation, DispatchKind::Change, DispatchKind::Refresh])->whereIn('state', self::TOLD)
            ->where(static fn(Builder $q) => $q->whereNull('recurrence_id')->when($date !== null, static fn(Builder $d) => $d->orWhereIn('recurrence_id', [$date?->format(), $date?->formatDate()])))
            ->max('sequence');

        return $sequence === null ? null : (int) $sequence;
    }
}
