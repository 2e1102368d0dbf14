<?php

declare(strict_types=1);

namespace App\Day;

use App\People\Account;
use App\People\ComingUp;
use App\Planning\DateAsPlanned;
use App\Planning\MeetingStatus;
use App\Planning\Occurrence;
use App\Planning\Visible;

/** The next date of whoever is signed in. */
final readonly class NextDate implements ComingUp
{
    /** Of so many dates to come the first to which they are asked. */
    private const LOOKED_AT = 10;

    public function next(Account $account): ?array
    {
        $next = Occurrence::query()
            ->where('starts_at', '>', now())->where('starts_at', '<', now()->addDay())->where('all_day', false)
            ->whereHas('meeting', fn($q) => $q->whereIn('status', [MeetingStatus::Kept, MeetingStatus::Sent])
                ->where(fn($m) => $account->role->plans()
                    ? $m->where('coordinator_id', $account->id)->orWhere(static fn($asked) => Visible::isAsked($asked, $account->person_id))
                    : $m->where('status', MeetingStatus::Sent)->where(static fn($asked) => Visible::isAsked($asked, $account->person_id))))
            ->with(['meeting.attendees', 'meeting.dates.attendees'])
            ->orderBy('starts_at')->limit(self::LOOKED_AT)->get()
            ->first(static fn(Occurrence $o): bool => $o->meeting->coordinator_id === $account->id || DateAsPlanned::of($o->meeting, $o->date_local)->asks($account->person_id));

        return $next === null ? null : ['id' => $next->meeting_id, 'title' => DateAsPlanned::of($next->meeting, $next->date_local)->title, 'startsAt' => $next->starts_at->toIso8601ZuluString()];
    }
}
