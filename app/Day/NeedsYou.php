<?php

declare(strict_types=1);

namespace App\Day;

use App\Invitations\Dispatch;
use App\Invitations\DispatchState;
use App\Invitations\OutboxHold;
use App\Invitations\SendAgain;
use App\People\Account;
use App\People\ViewerClock;
use App\Planning\ClockMove;
use App\Planning\Meeting;
use App\Planning\MeetingStatus;
use App\Planning\Over;
use Illuminate\Support\Facades\DB;
use Syndex\Core\Shifts\ComingShift;
use Syndex\Core\Time\PlaceName;
use Syndex\Core\Time\ZoneData;

/** What waits for a coordinator, each with the way out. */
final readonly class NeedsYou
{
    private const MOST_OF_A_KIND = 5;

    private const MOST_CHANGES = 3;

    private const MOST_MOVES = 200;

    /** Clock changes are told of so many days ahead. */
    private const DAYS_AHEAD = 14;

    public function __construct(private ZoneData $zones, private OutboxHold $hold, private ViewerClock $clock, private AwaySince $away, private ClashesSince $clashes, private OffersToClose $offers, private RepliesWaiting $replies) {}

    /** @return list<array<string, mixed>> */
    public function of(Account $account): array
    {
        return [...$this->outboxHeld(), ...$this->undelivered($account), ...$this->stale($account), ...$this->replies->of($account, self::MOST_OF_A_KIND), ...$this->offers->of($account, self::MOST_OF_A_KIND), ...array_slice($this->clashes->of($account), 0, self::MOST_OF_A_KIND), ...array_slice($this->away->of($account), 0, self::MOST_OF_A_KIND), ...$this->clockMoves(), ...$this->clockChanges($account), ...$this->unsent($account)];
    }

    /** @return list<array<string, mixed>> */
    private function outboxHeld(): array
    {
        $hold = $this->hold->present();
        $waiting = $hold === null ? 0 : Dispatch::query()->whereIn('state', [DispatchState::Waiting, DispatchState::Sending])->count();

        return $hold === null ? [] : [['code' => 'outbox_held', 'waiting' => $waiting, 'since' => $hold['since']->toIso8601ZuluString(), 'sinceLocal' => $this->clock->local($hold['since']), 'why' => $hold['why']]];
    }

    /** @return list<array<string, mixed>> */
    private function undelivered(Account $account): array
    {
        $failed = SendAgain::undeliveredFor($account)->with(['meeting'])
            ->select(['id', 'meeting_id', 'recipient', 'state', 'outcome', 'created_at', 'kind', 'subject'])
            ->orderByDesc('id')->limit(self::MOST_OF_A_KIND + 1)->get();
        $needs = array_values($failed->take(self::MOST_OF_A_KIND)->map(static fn(Dispatch $d): array => [
            'code' => $d->state === DispatchState::Refused ? 'refused' : 'given_up',
            'kind' => $d->kind->value,
            'recipient' => $d->recipient,
            'outcome' => $d->outcome,
            'meetingId' => $d->meeting_id,
            'title' => $d->meeting->title ?? $d->subject,
            'dispatchId' => $d->id,
        ])->all());
        if ($failed->count() > self::MOST_OF_A_KIND) {
            $needs[] = ['code' => 'more_undelivered', 'count' => SendAgain::undeliveredFor($account)->count() - self::MOST_OF_A_KIND];
        }

        return $needs;
    }

    /** @return list<array<string, mixed>> the coordinator's own whose people hold a joining kit that holds no more */
    private function stale(Account $account): array
    {
        return array_values(Meeting::query()->where('coordinator_id', $account->id)->where('status', MeetingStatus::Sent)->whereNotNull('kit_stale_at')->where(Over::isNot())->withCount('attendees')->orderBy('kit_stale_at')->limit(self::MOST_OF_A_KIND)->get()
            ->map(static fn(Meeting $m): array => ['code' => 'kit_stale', 'meetingId' => $m->id, 'title' => $m->title, 'people' => (int) $m->getAttribute('attendees_count')])->all());
    }

    /** @return list<array<string, mixed>> whose time newer zone data moved, by meeting, until somebody noted it */
    private function clockMoves(): array
    {
        $moves = ClockMove::query()->whereNull('noted_at')->with(['meeting', 'person'])
            ->whereHas('meeting', fn($q) => $q->whereIn('status', [MeetingStatus::Kept, MeetingStatus::Sent]))
            ->orderByDesc('zone_data')->orderBy('now_local')->orderBy('id')->limit(self::MOST_MOVES)->get();
        $needs = [];
        foreach ($moves->groupBy(static fn(ClockMove $m): string => "$m->zone_data $m->meeting_id") as $ofMeeting) {
            $first = $ofMeeting->firstOrFail();
            $needs[] = [
                'code' => 'zone_data',
                'zoneData' => $first->zone_data,
                'meetingId' => $first->meeting_id,
                'title' => $first->meeting->title,
                'people' => array_values($ofMeeting->map(static fn(ClockMove $m): array => [
                    'name' => $m->person->called(),
                    'city' => PlaceName::of($m->person->zone ?? 'UTC'),
                    'was' => $m->was_local->format('Y-m-d\TH:i:s'),
                    'now' => $m->now_local->format('Y-m-d\TH:i:s'),
                    'dates' => $m->dates,
                ])->all()),
            ];
        }

        return array_slice($needs, 0, self::MOST_OF_A_KIND);
    }

    /** @return list<array<string, mixed>> by which the coordinator's own series move for somebody, soon */
    private function clockChanges(Account $account): array
    {
        $now = now()->getTimestamp();
        $until = $now + self::DAYS_AHEAD * 86400;
        $changes = [];
        foreach ($this->ownClocks($account) as $row) {
            $shift = $this->zones->knows($row->zone) && $this->zones->knows($row->anchor) ? ComingShift::of($this->zones->zone($row->anchor), $this->zones->zone($row->zone), $now, $until) : null;
            if ($shift !== null) {
                $key = "$shift->on $shift->minutes";
                $changes[$key] ??= ['code' => 'clocks', 'cities' => [], 'on' => $shift->on, 'minutes' => $shift->minutes, 'people' => []];
                $changes[$key]['cities'][] = PlaceName::of($shift->zoneId);
                array_push($changes[$key]['people'], ...explode(',', $row->people));
            }
        }
        ksort($changes);

        return array_map(
            static fn(array $change): array => [...$change, 'cities' => array_values(array_unique($change['cities'])), 'people' => count(array_unique($change['people']))],
            array_slice(array_values($changes), 0, self::MOST_CHANGES),
        );
    }

    /** @return list<object{anchor: string, zone: string, people: string}> the clocks of the people in series that lie ahead, by the anchor they are held against */
    private function ownClocks(Account $account): array
    {
        /** @var list<object{anchor: string, zone: string, people: string}> $rows */
        $rows = DB::table('meetings')
            ->join('attendees', 'meetings.id', '=', 'attendees.meeting_id')
            ->join('people', 'people.id', '=', 'attendees.person_id')
            ->where('meetings.coordinator_id', $account->id)->where('meetings.status', MeetingStatus::Sent->value)
            ->whereNotNull('meetings.rrule')->where('meetings.all_day', false)
            ->where(Over::isNot())
            ->whereNotNull('people.zone')->whereColumn('people.zone', '!=', 'meetings.zone')
            ->groupBy('meetings.zone', 'people.zone')
            ->selectRaw('meetings.zone as anchor, people.zone as zone, group_concat(distinct attendees.person_id) as people')
            ->get()->all();

        return $rows;
    }

    /** @return list<array<string, mixed>> */
    private function unsent(Account $account): array
    {
        $changes = Meeting::query()->whereNotNull('changes_id')->where('coordinator_id', $account->id)->orderByDesc('updated_at')->limit(self::MOST_OF_A_KIND)->get();
        $drafts = Meeting::query()->touched()->where('coordinator_id', $account->id)->whereIn('status', [MeetingStatus::Draft, MeetingStatus::Kept])
            ->orderByDesc('updated_at')->limit(self::MOST_OF_A_KIND)->get();

        return array_values($changes->concat($drafts)->map(fn(Meeting $m): array => ['code' => match (true) {
            $m->changes_id !== null => 'change',
            $m->status === MeetingStatus::Draft => 'draft',
            default => 'kept',
        }, 'meetingId' => $m->id, 'title' => $m->title, 'updatedLocal' => $this->clock->local($m->updated_at)])->all());
    }
}
