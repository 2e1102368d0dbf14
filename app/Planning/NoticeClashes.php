<?php

declare(strict_types=1);

namespace App\Planning;

use App\Live\Live;
use App\People\BusyTimesChanged;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\IntervalSet;

/**
 * Holds what somebody's calendar says anew against the dates to which they are asked: what clashes is kept for the coordinator,
 * what clashes no longer goes.
 */
final readonly class NoticeClashes
{
    private const MOST_DATES = 5000;

    public function __construct(private Live $live) {}

    public function handle(BusyTimesChanged $changed): void
    {
        $this->forgetGone($changed->personId);
        if ($changed->added === []) {
            return;
        }
        $found = [];
        $own = array_fill_keys(array_map(self::place(...), $changed->own), true);
        $all = IntervalSet::of(array_column($changed->added, 'interval'));
        foreach ($this->dates($changed->personId) as $occurrence) {
            $slot = Interval::between($occurrence->starts_at->getTimestamp(), $occurrence->ends_at->getTimestamp());
            foreach ($all->overlaps($slot) ? $changed->added : [] as ['interval' => $taken, 'kind' => $kind]) {
                // What takes just this time is our own date as their calendar has it, unless that stands there too, by its UID.
                if ($taken->overlaps($slot) && (self::place($taken) !== self::place($slot) || isset($own[self::place($slot)]))) {
                    $found[] = ['meeting_id' => $occurrence->meeting_id, 'person_id' => $changed->personId, 'date_local' => $occurrence->date_local->format('Y-m-d H:i:s'), 'starts_at' => $occurrence->starts_at->format('Y-m-d H:i:s'), 'kind' => $kind, 'found_at' => now()];
                    break;
                }
            }
        }
        foreach (array_chunk($found, 500) as $rows) {
            FoundClash::query()->insertOrIgnore($rows);
        }
        if ($found !== []) {
            $this->live->tell([Live::COORDINATION], 'today', $changed->personId);
        }
    }

    private static function place(Interval $interval): string
    {
        return "$interval->start $interval->end";
    }

    /** Clashes whose busy times are gone, or whose date is. */
    private function forgetGone(string $personId): void
    {
        DB::table('found_clashes')->where('found_clashes.person_id', $personId)->where('found_clashes.starts_at', '>', now())
            ->whereNotExists(static fn($q) => $q->select(DB::raw(1))->from('occurrences')
                ->join('busy_times', static fn($on) => $on->on('busy_times.starts_at', '<', 'occurrences.ends_at')->on('busy_times.ends_at', '>', 'occurrences.starts_at'))
                ->whereColumn('occurrences.meeting_id', 'found_clashes.meeting_id')->whereColumn('occurrences.date_local', 'found_clashes.date_local')
                ->whereColumn('busy_times.person_id', 'found_clashes.person_id'))
            ->delete();
    }

    /** @return Collection<int, Occurrence> dates ahead to which somebody is asked and was told of */
    private function dates(string $personId): Collection
    {
        return Occurrence::query()->where('starts_at', '>', now())->where('all_day', false)
            ->whereIn('meeting_id', Meeting::query()->select('id')->where('status', MeetingStatus::Sent)->where('takes_no_time', false)->where(static fn($q) => Visible::isAsked($q, $personId)))
            ->with(['meeting.attendees', 'meeting.dates.attendees'])->orderBy('starts_at')->limit(self::MOST_DATES)->get()
            ->filter(static fn(Occurrence $o): bool => array_filter(DateAsPlanned::of($o->meeting, $o->date_local)->people, static fn(Attendee|DateAttendee $a): bool => $a->person_id === $personId && $a->partstat !== 'declined') !== []);
    }
}
