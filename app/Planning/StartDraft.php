<?php

declare(strict_types=1);

namespace App\Planning;

use App\People\Account;
use App\People\Person;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Syndex\Core\Time\ZoneData;

/** Begins a draft: an empty sheet, one that takes over everything but dates gone by from an earlier meeting, or one with given words. */
final readonly class StartDraft
{
    private const USUAL_MINUTES = 30;

    public function __construct(private ZoneData $zones, private MeetingSeries $series) {}

    public function blank(Account $coordinator): Meeting
    {
        $person = $coordinator->person;
        $zone = $person->zone ?? 'UTC';

        return DB::transaction(function () use ($coordinator, $person, $zone): Meeting {
            return $this->with($coordinator, [
                'host_id' => $person->id,
                'starts_local' => $this->nextFullHour($zone),
                'zone' => $zone,
                'duration_minutes' => self::USUAL_MINUTES,
            ], [['person' => $person, 'role' => AttendeeRole::Required]]);
        });
    }

    public function copyOf(Meeting $earlier, Account $coordinator): Meeting
    {
        $earlier->loadMissing(['agenda', 'attendees']);

        return DB::transaction(function () use ($earlier, $coordinator): Meeting {
            $meeting = $this->create($coordinator, [
                'host_id' => $earlier->host_id,
                'title' => $earlier->title,
                'purpose' => $earlier->purpose,
                'links' => $earlier->links,
                'starts_local' => $this->ahead($earlier),
                'zone' => $earlier->zone,
                'all_day' => $earlier->all_day,
                'duration_minutes' => $earlier->duration_minutes,
                'rrule' => $this->ruleAhead($earlier),
                'join_mode' => $earlier->join_mode,
                'place' => $earlier->place,
            ]);
            foreach ($earlier->agenda as $item) {
                $meeting->agenda()->create(['position' => $item->position, 'title' => $item->title, 'minutes' => $item->minutes, 'speaker' => $item->speaker]);
            }
            foreach ($earlier->attendees as $attendee) {
                $meeting->attendees()->create(['person_id' => $attendee->person_id, 'position' => $attendee->position, 'role' => $attendee->role]);
            }

            return $meeting;
        });
    }

    /**
     * @param  array<string, mixed>  $values  of the meeting
     * @param  list<array{person: Person, role: AttendeeRole}>  $people
     */
    public function with(Account $coordinator, array $values, array $people): Meeting
    {
        $meeting = $this->create($coordinator, $values);
        foreach ($people as $position => ['person' => $person, 'role' => $role]) {
            $meeting->attendees()->create(['person_id' => $person->id, 'position' => $position, 'role' => $role]);
        }

        return $meeting;
    }

    /** @param array<string, mixed> $values */
    private function create(Account $coordinator, array $values): Meeting
    {
        return Meeting::query()->create([
            'uid' => strtolower((string) Str::ulid()) . '@' . config('syndex.mail_domain'),
            'address_token' => Str::lower(Str::random(16)),
            'coordinator_id' => $coordinator->id,
            'status' => MeetingStatus::Draft,
            ...$values,
        ]);
    }

    private function nextFullHour(string $zone): string
    {
        $wall = CarbonImmutable::createFromTimestampUTC($this->zones->zone($zone)->toWall(now()->getTimestamp()));

        return $wall->addDay()->setTime(min(16, max(9, $wall->hour + 1)), 0)->format('Y-m-d H:i:s');
    }

    /** The same weekday and time, the first that still lies ahead. */
    private function ahead(Meeting $earlier): string
    {
        $now = CarbonImmutable::createFromTimestampUTC($this->zones->zone($earlier->zone)->toWall(now()->getTimestamp()));
        $start = $earlier->starts_local;
        while ($start <= $now) {
            $start = $start->addWeeks(max(1, (int) floor($start->diffInWeeks($now))));
        }

        return $start->format('Y-m-d H:i:s');
    }

    /** A rule that ended by a date would have ended already: it goes on without an end until one is chosen. */
    private function ruleAhead(Meeting $earlier): ?string
    {
        $rule = $this->series->of($earlier)->rule;

        return $rule?->until === null ? $earlier->rrule : $rule->withUntil(null)->toText();
    }
}
