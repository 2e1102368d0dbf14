<?php

declare(strict_types=1);

namespace App\Overlap;

use App\People\ManyIds;
use App\Planning\MeetingStatus;
use App\Planning\Over;
use App\Planning\PackedDates;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use PDO;
use Syndex\Core\Overlap\Busy;
use Syndex\Core\Overlap\BusyKind;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\IntervalSet;
use Syndex\Core\Time\PackedStretches;

/**
 * What people have already in Syndex.
 *
 * Two plain questions put together here: who is in which meeting, and which dates lie in the windows. The join of both,
 * or the many windows of a series as conditions of one query, cost the database ten times as much.
 */
final class Occupancy
{
    /** No timed meeting lasts longer, so none that began earlier can reach into a window. */
    private const LONGEST_SECONDS = 86400;

    /** Of so many meetings all dates are read; of more, the windows, unless these leave out little. */
    private const FEW = 100;

    private const MANY = 3000;

    /**
     * @param list<string> $personIds
     * @param IntervalSet $windows what lies outside of them is left out
     * @param ?string $exceptMeetingId the meeting that is being planned
     * @return array<string, list<Busy>> by person, in order of start
     */
    public function of(array $personIds, IntervalSet $windows, ?string $exceptMeetingId): array
    {
        if ($personIds === [] || $windows->isEmpty()) {
            return [];
        }
        $reach = Interval::between($windows->intervals[0]->start - self::LONGEST_SECONDS, $windows->intervals[count($windows->intervals) - 1]->end);
        $memberships = $this->memberships($personIds, $reach, $exceptMeetingId);
        $own = $this->ownDates($personIds, $reach, $exceptMeetingId);
        $said = $this->answered($personIds, $reach, $exceptMeetingId, $own['dates']);
        $busy = array_merge_recursive($own['busy'], $said['busy']);
        [$ids, $starts, $ends] = $memberships === [] ? [[], [], []] : $this->dates($windows, array_map(strval(...), array_keys($memberships)));
        foreach ($ids as $at => $meetingId) {
            $start = $starts[$at];
            // Of a date whose people are its own, the list of the series says nothing.
            if (isset($memberships[$meetingId]) && !isset($own['dates']["$meetingId $start"])) {
                $interval = Interval::between($start, $ends[$at]);
                $same = [];
                foreach ($memberships[$meetingId] as [$personId, $kind, $title]) {
                    if ($said['dates'] !== [] && isset($said['dates']["$meetingId $start $personId"])) {
                        continue;
                    }
                    $busy[$personId][] = $same[$kind->value] ??= new Busy($interval, $kind, $title);
                }
            }
        }

        return $own['busy'] === [] && $said['busy'] === [] ? $busy : array_map(self::inOrder(...), $busy);
    }

    /**
     * @param  list<Busy>  $busy
     * @return list<Busy>
     */
    private static function inOrder(array $busy): array
    {
        usort($busy, static fn(Busy $a, Busy $b): int => $a->interval->start <=> $b->interval->start);

        return $busy;
    }

    /**
     * Dates whose people are their own: few, and none in most houses.
     *
     * @param  list<string>  $personIds
     * @return array{dates: array<string, true>, busy: array<string, list<Busy>>} the dates by meeting and start, and who is busy then
     */
    private function ownDates(array $personIds, Interval $reach, ?string $exceptMeetingId): array
    {
        // Few meetings have any, so all within reach are looked at, rather than asked for thousands of people by name.
        $rows = DB::table('meeting_dates')
            ->join('occurrences', static fn($on) => $on->on('occurrences.meeting_id', '=', 'meeting_dates.meeting_id')->on('occurrences.date_local', '=', 'meeting_dates.date_local'))
            ->join('meetings', 'meetings.id', '=', 'meeting_dates.meeting_id')
            ->leftJoin('date_attendees', 'date_attendees.meeting_date_id', '=', 'meeting_dates.id')
            ->where('meeting_dates.own_people', true)
            ->whereIn('meetings.status', [MeetingStatus::Kept->value, MeetingStatus::Sent->value])
            ->where('occurrences.all_day', false)
            ->whereBetween('occurrences.starts_at', [gmdate('Y-m-d H:i:s', $reach->start), gmdate('Y-m-d H:i:s', $reach->end - 1)])
            ->when($exceptMeetingId !== null, static fn($q) => $q->where('meetings.id', '!=', $exceptMeetingId))
            ->selectRaw('meetings.id, meetings.status, coalesce(meeting_dates.title, meetings.title) as title, meetings.takes_no_time, unix_timestamp(occurrences.starts_at) as starts, unix_timestamp(occurrences.ends_at) as ends, date_attendees.person_id, date_attendees.partstat')
            ->orderBy('occurrences.starts_at')->get();
        $asked = array_flip($personIds);
        $dates = $busy = [];
        foreach ($rows as $row) {
            $dates["$row->id $row->starts"] = true;
            if ($row->person_id !== null && isset($asked[$row->person_id]) && $row->partstat !== 'declined' && !$row->takes_no_time) {
                $busy[(string) $row->person_id][] = new Busy(Interval::between((int) $row->starts, (int) $row->ends), self::kind((string) $row->status, (string) $row->partstat), (string) $row->title);
            }
        }

        return ['dates' => $dates, 'busy' => $busy];
    }

    /**
     * What people said to single dates, where it is not what they said to the whole.
     *
     * @param  non-empty-list<string>  $personIds
     * @param  array<string, true>  $ownDates  dates with people of their own, whose lists say it
     * @return array{dates: array<string, true>, busy: array<string, list<Busy>>} by meeting, start and person; and who is busy then
     */
    private function answered(array $personIds, Interval $reach, ?string $exceptMeetingId, array $ownDates): array
    {
        [$some, $bound] = ManyIds::in('answers.person_id', $personIds);
        $rows = DB::table('answers')
            ->join('occurrences', static fn($on) => $on->on('occurrences.meeting_id', '=', 'answers.meeting_id')->on('occurrences.date_local', '=', 'answers.date_local'))
            ->join('meetings', 'meetings.id', '=', 'answers.meeting_id')
            ->whereRaw($some, $bound)
            ->whereNotNull('answers.date_local')->where('answers.partstat', '!=', 'needs-action')
            ->whereIn('meetings.status', [MeetingStatus::Kept->value, MeetingStatus::Sent->value])
            ->where('occurrences.all_day', false)->where('meetings.takes_no_time', false)
            ->whereBetween('occurrences.starts_at', [gmdate('Y-m-d H:i:s', $reach->start), gmdate('Y-m-d H:i:s', $reach->end - 1)])
            ->when($exceptMeetingId !== null, static fn($q) => $q->where('meetings.id', '!=', $exceptMeetingId))
            ->selectRaw('meetings.id, meetings.status, meetings.title, unix_timestamp(occurrences.starts_at) as starts, unix_timestamp(occurrences.ends_at) as ends, answers.person_id, answers.partstat')
            ->orderBy('occurrences.starts_at')->get();
        $dates = $busy = [];
        foreach ($rows as $row) {
            if (isset($ownDates["$row->id $row->starts"])) {
                continue;
            }
            $dates["$row->id $row->starts $row->person_id"] = true;
            if ($row->partstat !== 'declined') {
                $busy[(string) $row->person_id][] = new Busy(Interval::between((int) $row->starts, (int) $row->ends), self::kind((string) $row->status, (string) $row->partstat), (string) $row->title);
            }
        }

        return ['dates' => $dates, 'busy' => $busy];
    }

    private static function kind(string $status, string $partstat): BusyKind
    {
        return $status === MeetingStatus::Kept->value || $partstat === 'tentative' ? BusyKind::Tentative : BusyKind::Busy;
    }

    /**
     * @param non-empty-list<string> $personIds
     * @return array<string, list<array{string, BusyKind, string}>> by meeting: person, how it takes their time, title
     */
    private function memberships(array $personIds, Interval $reach, ?string $exceptMeetingId): array
    {
        [$some, $bound] = ManyIds::in('attendees.person_id', $personIds);
        $asked = array_flip($personIds);
        $rows = DB::table('attendees')
            ->join('meetings', 'meetings.id', '=', 'attendees.meeting_id')
            ->whereRaw($some, $bound)
            ->whereIn('meetings.status', [MeetingStatus::Kept->value, MeetingStatus::Sent->value])
            ->where('meetings.all_day', false)
            ->where('meetings.takes_no_time', false)
            ->where('attendees.partstat', '!=', 'declined')
            ->where('meetings.first_starts_at', '<', gmdate('Y-m-d H:i:s', $reach->end))
            ->where(Over::isNot(CarbonImmutable::createFromTimestampUTC($reach->start)))
            ->when($exceptMeetingId !== null, static fn($q) => $q->where('meetings.id', '!=', $exceptMeetingId))
            ->select(['attendees.meeting_id', 'attendees.person_id', 'attendees.partstat', 'meetings.title', 'meetings.status']);
        $statement = DB::connection()->getPdo()->prepare($rows->toSql());
        $statement->execute($rows->getConnection()->prepareBindings($rows->getBindings()));
        $memberships = [];
        while (is_array($row = $statement->fetch(PDO::FETCH_NUM))) {
            if (isset($asked[$row[1]])) {
                $memberships[(string) $row[0]][] = [(string) $row[1], self::kind((string) $row[4], (string) $row[2]), (string) $row[3]];
            }
        }

        return $memberships;
    }

    /**
     * @param  list<string>  $meetingIds
     * @return array{list<string>, list<int>, list<int>} meetings, starts and ends of all dates, in order of start
     */
    private function dates(IntervalSet $windows, array $meetingIds): array
    {
        $packed = array_intersect_key(PackedDates::of($meetingIds), array_flip($meetingIds));
        $rest = array_values(array_filter($meetingIds, static fn(string $id): bool => !isset($packed[$id])));
        $ids = $starts = $ends = [];
        foreach ($rest === [] ? [] : $this->rows($windows, $rest) as [$ids[], $starts[], $ends[]]) {
            // Each into its list.
        }
        $isOne = count($windows->intervals) === 1;
        $from = $windows->intervals[0]->start;
        $to = $windows->intervals[count($windows->intervals) - 1]->end;
        foreach ($packed as $meetingId => $octets) {
            $stretches = PackedStretches::within($octets, $from, $to);
            for ($at = 0, $count = count($stretches); $at < $count; $at += 3) {
                if ($isOne || $windows->overlaps(Interval::between($stretches[$at], $stretches[$at + 1]))) {
                    $ids[] = (string) $meetingId;
                    $starts[] = $stretches[$at];
                    $ends[] = $stretches[$at + 1];
                }
            }
        }
        array_multisort($starts, $ends, $ids);

        return [$ids, $starts, $ends];
    }

    /**
     * Dates row by row: of meetings of which none are packed yet.
     *
     * @param  list<string>  $meetingIds
     * @return list<array{string, int, int}> meeting, start, end
     */
    private function rows(IntervalSet $windows, array $meetingIds): array
    {
        [$sql, $bindings] = self::isFewer($windows, count($meetingIds)) ? self::byMeeting($windows, $meetingIds) : self::byWindow($windows);
        $statement = DB::connection()->getPdo()->prepare("$sql order by 2, 1");
        $statement->execute($bindings);
        $asked = array_flip($meetingIds);
        $dates = [];
        $before = ['', 0, 0];
        while (is_array($row = $statement->fetch(PDO::FETCH_NUM))) {
            // One that reaches from one window into the next comes twice.
            if (isset($asked[$row[0]]) && ($row[1] !== $before[1] || $row[0] !== $before[0])) {
                $dates[] = [(string) $row[0], (int) $row[1], (int) $row[2]];
            }
            $before = $row;
        }

        return $dates;
    }

    /** Whether all dates of so many meetings are fewer than all dates in the windows. */
    private static function isFewer(IntervalSet $windows, int $meetings): bool
    {
        $covered = array_sum(array_map(static fn(Interval $window): int => $window->seconds(), $windows->intervals));
        $reach = $windows->intervals[count($windows->intervals) - 1]->end - $windows->intervals[0]->start;

        return $meetings <= self::FEW || ($meetings <= self::MANY && $covered * 2 > $reach && $reach > 60 * 86400);
    }

    /**
     * All dates of a few meetings, whatever else there is.
     *
     * @param  list<string>  $meetingIds
     * @return array{string, list<string>}
     */
    private static function byMeeting(IntervalSet $windows, array $meetingIds): array
    {
        $reach = [$windows->intervals[0]->start - self::LONGEST_SECONDS, $windows->intervals[count($windows->intervals) - 1]->end - 1];

        return [
            'select meeting_id, unix_timestamp(starts_at), unix_timestamp(ends_at) from occurrences where meeting_id in (' . implode(', ', array_fill(0, count($meetingIds), '?')) . ') and starts_at between ? and ? and all_day = 0',
            [...$meetingIds, ...array_map(static fn(int $at): string => gmdate('Y-m-d H:i:s', $at), $reach)],
        ];
    }

    /** @return array{string, list<string>} each window a range of an index that holds all that is asked for */
    private static function byWindow(IntervalSet $windows): array
    {
        $parts = $bindings = [];
        foreach ($windows->intervals as $window) {
            $parts[] = 'select meeting_id, unix_timestamp(starts_at), unix_timestamp(ends_at) from occurrences where starts_at between ? and ? and ends_at > ? and all_day = 0';
            array_push($bindings, gmdate('Y-m-d H:i:s', $window->start - self::LONGEST_SECONDS), gmdate('Y-m-d H:i:s', $window->end - 1), gmdate('Y-m-d H:i:s', $window->start));
        }

        return [implode(' union all ', $parts), $bindings];
    }
}
