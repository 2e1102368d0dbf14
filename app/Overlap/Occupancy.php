<?php

declare(strict_types=1);

namespace App\Overlap;

use App\Planning\MeetingStatus;
use Illuminate\Support\Facades\DB;
use Syndex\Core\Overlap\Busy;
use Syndex\Core\Overlap\BusyKind;
use Syndex\Core\Time\Interval;

/** What people have already in Syndex. */
final class Occupancy
{
    /**
     * @param  list<string>  $personIds
     * @param  ?string  $exceptMeetingId  the meeting that is being planned
     * @return array<string, list<Busy>> by person
     */
    public function of(array $personIds, Interval $reach, ?string $exceptMeetingId): array
    {
        $rows = DB::table('attendees')
            ->join('occurrences', 'occurrences.meeting_id', '=', 'attendees.meeting_id')
            ->join('meetings', 'meetings.id', '=', 'attendees.meeting_id')
            ->whereIn('attendees.person_id', $personIds)
            ->whereIn('meetings.status', [MeetingStatus::Kept->value, MeetingStatus::Sent->value])
            ->where('occurrences.starts_at', '<', gmdate('Y-m-d H:i:s', $reach->end))
            ->where('occurrences.ends_at', '>', gmdate('Y-m-d H:i:s', $reach->start))
            ->where('occurrences.all_day', false)
            ->where('attendees.partstat', '!=', 'declined')
            ->when($exceptMeetingId !== null, fn($q) => $q->where('meetings.id', '!=', $exceptMeetingId))
            ->select(['attendees.person_id', 'meetings.title', 'meetings.status', 'attendees.partstat'])
            ->selectRaw('unix_timestamp(occurrences.starts_at) as start_at, unix_timestamp(occurrences.ends_at) as end_at')
            ->orderBy('occurrences.starts_at')
            ->get();
        $busy = [];
        foreach ($rows as $row) {
            $kind = $row->status === MeetingStatus::Kept->value || $row->partstat === 'tentative' ? BusyKind::Tentative : BusyKind::Busy;
            $busy[(string) $row->person_id][] = new Busy(Interval::between((int) $row->start_at, (int) $row->end_at), $kind, (string) $row->title);
        }

        return $busy;
    }
}
