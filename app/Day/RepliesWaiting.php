<?php

declare(strict_types=1);

namespace App\Day;

use App\Answers\ReplyState;
use App\People\Account;
use App\Planning\MeetingStatus;
use Illuminate\Support\Facades\DB;

/** Meetings to which something came that only their coordinator can decide: another time, somebody else, what is not sure. */
final readonly class RepliesWaiting
{
    /** @return list<array{code: string, meetingId: string, title: string, count: int}> the latest first */
    public function of(Account $account, int $most): array
    {
        $rows = DB::table('replies')->join('meetings', 'meetings.id', '=', 'replies.meeting_id')
            ->whereIn('replies.state', [ReplyState::Waiting->value, ReplyState::Aside->value])->where('meetings.coordinator_id', $account->id)->where('meetings.status', MeetingStatus::Sent->value)
            ->groupBy('meetings.id', 'meetings.title')->orderByRaw('max(replies.id) desc')->limit($most)
            ->selectRaw('meetings.id as meeting, meetings.title as title, count(*) as waiting')->get();

        return array_values($rows->map(static fn(\stdClass $r): array => ['code' => 'replies', 'meetingId' => (string) $r->meeting, 'title' => (string) $r->title, 'count' => (int) $r->waiting])->all());
    }
}
