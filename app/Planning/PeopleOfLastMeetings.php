<?php

declare(strict_types=1);

namespace App\Planning;

use App\People\Account;
use App\People\RecentlyMet;
use Illuminate\Support\Facades\DB;

/** The people of somebody's last meetings. */
final class PeopleOfLastMeetings implements RecentlyMet
{
    private const MEETINGS = 20;

    private const PEOPLE = 300;

    public function of(Account $account): array
    {
        $meetings = Meeting::query()->where('coordinator_id', $account->id)->whereIn('status', [MeetingStatus::Draft, MeetingStatus::Kept, MeetingStatus::Sent])->orderByDesc('updated_at')->limit(self::MEETINGS)->pluck('id')->all();
        $met = [];
        foreach (DB::table('attendees')->whereIn('meeting_id', $meetings)->orderBy('position')->limit(self::PEOPLE * 4)->get(['meeting_id', 'person_id'])->groupBy('meeting_id')->sortBy(static fn($_, string $id): int => (int) array_search($id, $meetings, true)) as $people) {
            foreach ($people as $row) {
                $met[(string) $row->person_id] = true;
            }
        }

        return array_slice(array_map(strval(...), array_keys($met)), 0, self::PEOPLE);
    }
}
