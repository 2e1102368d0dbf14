<?php

declare(strict_types=1);

namespace App\Day;

use App\People\Account;
use App\People\ComingUp;
use App\Planning\Attendee;
use App\Planning\MeetingStatus;
use App\Planning\Occurrence;

/** The next date of whoever is signed in. */
final readonly class NextDate implements ComingUp
{
    public function next(Account $account): ?array
    {
        $next = Occurrence::query()->with('meeting')
            ->where('starts_at', '>', now())->where('starts_at', '<', now()->addDay())->where('all_day', false)
            ->whereHas('meeting', fn($q) => $q->whereIn('status', [MeetingStatus::Kept, MeetingStatus::Sent])
                ->where(fn($m) => $account->role->plans()
                    ? $m->where('coordinator_id', $account->id)->orWhereIn('id', Attendee::query()->select('meeting_id')->where('person_id', $account->person_id))
                    : $m->where('status', MeetingStatus::Sent)->whereIn('id', Attendee::query()->select('meeting_id')->where('person_id', $account->person_id))))
            ->orderBy('starts_at')->first();

        return $next === null ? null : ['id' => $next->meeting_id, 'title' => $next->meeting->title, 'startsAt' => $next->starts_at->toIso8601ZuluString()];
    }
}
