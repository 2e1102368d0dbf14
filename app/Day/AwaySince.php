<?php

declare(strict_types=1);

namespace App\Day;

use App\People\Absence;
use App\People\Account;
use App\People\AwayDays;
use App\People\ViewerClock;
use App\Planning\Meeting;
use App\Planning\MeetingStatus;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Syndex\Core\Time\Interval;

/** Who has become unavailable since they were told of a meeting, until its coordinator has noted it or changed the meeting. */
final readonly class AwaySince
{
    /** Dates so many days ahead are looked at. */
    private const DAYS_AHEAD = 60;

    private const MOST_ROWS = 500;

    public function __construct(private AwayDays $days, private ViewerClock $clock) {}

    /** @return list<array{code: 'away', absenceId: int, meetingId: string, title: string, name: string, standIn: ?string, dates: int, firstLocal: ?string}> the soonest first */
    public function of(Account $account): array
    {
        $rows = $this->rows($account);
        $absences = Absence::query()->with(['person', 'standIn'])->whereIn('id', $rows->pluck('absence'))->get()->keyBy('id');
        $needs = [];
        foreach ($rows as $row) {
            $absence = $absences->get($row->absence);
            if ($absence === null || !$this->days->of($absence, $absence->person->zone)->overlaps(Interval::between((int) $row->starts, (int) $row->ends))) {
                continue;
            }
            $key = "$row->absence $row->meeting";
            $needs[$key] ??= [
                'code' => 'away', 'absenceId' => $absence->id, 'meetingId' => (string) $row->meeting, 'title' => (string) $row->title, 'name' => $absence->person->called(), 'standIn' => $absence->standIn?->called(),
                'dates' => 0, 'firstLocal' => $this->clock->local(CarbonImmutable::createFromTimestampUTC((int) $row->starts)),
            ];
            $needs[$key]['dates']++;
        }

        return array_values($needs);
    }

    public function note(Meeting $meeting, Absence $absence, bool $isNoted): void
    {
        $isNoted
            ? DB::table('noted_absences')->insertOrIgnore(['absence_id' => $absence->id, 'meeting_id' => $meeting->id])
            : DB::table('noted_absences')->where('absence_id', $absence->id)->where('meeting_id', $meeting->id)->delete();
    }

    /** @return \Illuminate\Support\Collection<int, \stdClass> dates that may lie in an absence, the exact days left to the person's clock */
    private function rows(Account $account): \Illuminate\Support\Collection
    {
        return DB::table('absences')
            ->join('attendees', 'attendees.person_id', '=', 'absences.person_id')
            ->join('meetings', 'meetings.id', '=', 'attendees.meeting_id')
            ->join('occurrences', 'occurrences.meeting_id', '=', 'meetings.id')
            ->leftJoin('noted_absences', static fn($on) => $on->on('noted_absences.absence_id', '=', 'absences.id')->on('noted_absences.meeting_id', '=', 'meetings.id'))
            ->whereNull('noted_absences.absence_id')
            ->where('meetings.coordinator_id', $account->id)->where('meetings.status', MeetingStatus::Sent->value)
            ->where('attendees.partstat', '!=', 'declined')
            ->whereRaw('absences.created_at > coalesce(meetings.changed_at, meetings.sent_at)')
            ->where('absences.until_on', '>=', now()->subDay()->format('Y-m-d'))
            ->whereBetween('occurrences.starts_at', [now()->format('Y-m-d H:i:s'), now()->addDays(self::DAYS_AHEAD)->format('Y-m-d H:i:s')])
            // A day to spare at both ends, since days are not those of UTC.
            ->whereRaw('occurrences.ends_at > date_sub(absences.from_on, interval 1 day) and occurrences.starts_at < date_add(absences.until_on, interval 2 day)')
            ->orderBy('occurrences.starts_at')->orderBy('absences.id')->limit(self::MOST_ROWS)
            ->selectRaw('absences.id as absence, meetings.id as meeting, meetings.title, unix_timestamp(occurrences.starts_at) as starts, unix_timestamp(occurrences.ends_at) as ends')->get();
    }
}
