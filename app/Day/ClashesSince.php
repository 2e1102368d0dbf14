<?php

declare(strict_types=1);

namespace App\Day;

use App\People\Account;
use App\People\ViewerClock;
use App\Planning\FoundClash;
use App\Planning\Meeting;
use Illuminate\Support\Facades\DB;

/** Whose calendar came to say that they have something else at a date of theirs, until its coordinator noted it or changed the meeting. */
final readonly class ClashesSince
{
    private const MOST_ROWS = 500;

    public function __construct(private ViewerClock $clock) {}

    /** @return list<array{code: 'clash', meetingId: string, personId: string, title: string, name: string, kind: string, dates: int, firstLocal: ?string}> the soonest first */
    public function of(Account $account): array
    {
        $needs = [];
        foreach (self::open()->whereIn('found_clashes.meeting_id', Meeting::query()->select('id')->where('coordinator_id', $account->id))->with(['meeting', 'person'])->orderBy('starts_at')->limit(self::MOST_ROWS)->get() as $clash) {
            $key = "$clash->meeting_id $clash->person_id";
            $needs[$key] ??= [
                'code' => 'clash', 'meetingId' => $clash->meeting_id, 'personId' => $clash->person_id, 'title' => $clash->meeting->title, 'name' => $clash->person->called(),
                'kind' => $clash->kind, 'dates' => 0, 'firstLocal' => $this->clock->local($clash->starts_at),
            ];
            $needs[$key]['dates']++;
        }

        return array_values($needs);
    }

    public function note(Meeting $meeting, string $personId, bool $isNoted): void
    {
        FoundClash::query()->where('meeting_id', $meeting->id)->where('person_id', $personId)->update(['noted_at' => $isNoted ? now() : null]);
    }

    /** @return \Illuminate\Database\Eloquent\Builder<FoundClash> ahead, and so still */
    private static function open(): \Illuminate\Database\Eloquent\Builder
    {
        return FoundClash::query()->whereNull('noted_at')->where('starts_at', '>', now())
            ->whereExists(static fn($q) => $q->select(DB::raw(1))->from('occurrences')
                ->join('meetings', 'meetings.id', '=', 'occurrences.meeting_id')
                ->join('busy_times', static fn($on) => $on->on('busy_times.starts_at', '<', 'occurrences.ends_at')->on('busy_times.ends_at', '>', 'occurrences.starts_at'))
                ->whereColumn('occurrences.meeting_id', 'found_clashes.meeting_id')->whereColumn('occurrences.date_local', 'found_clashes.date_local')
                ->whereColumn('busy_times.person_id', 'found_clashes.person_id')
                ->where('meetings.status', 'sent')
                ->whereRaw('found_clashes.found_at > coalesce(meetings.changed_at, meetings.sent_at)'));
    }
}
