<?php

declare(strict_types=1);

namespace App\Planning;

use App\Failure\Decide;
use App\HouseRules\HouseRules;
use App\People\Account;
use App\People\FindWords;
use App\People\Person;
use App\People\SearchKey;
use Illuminate\Support\Str;
use Syndex\Core\ICalendar\AttendeeRole;
use Syndex\Core\Recurrence\MoveSeries;
use Syndex\Core\Recurrence\NoDates;
use Syndex\Core\Recurrence\PlanAgain;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Time\InvalidTime;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\Zone;
use Syndex\Core\Time\ZoneData;

/** Begins a draft: an empty sheet, one that takes over everything but single dates from an earlier meeting, or one with given words. */
final readonly class StartDraft
{
    private const USUAL_MINUTES = 30;

    public function __construct(private ZoneData $zones, private MeetingSeries $series, private HouseRules $rules) {}

    /**
     * @param list<Person> $with whom it is for, beside the coordinator
     * @param ?string $teamId the team as which they are asked
     */
    public function blank(Account $coordinator, array $with = [], ?string $teamId = null): Meeting
    {
        $person = $coordinator->person;
        $zone = $this->zones->zone($person->zone !== null && $this->zones->knows($person->zone) ? $person->zone : 'UTC');

        return Decide::on(fn(): Meeting => $this->with($coordinator, [
            'host_id' => $person->id,
            'starts_local' => WallTime::ofSeconds($this->proposed($person, $zone))->format(),
            'zone' => $zone->id,
            'duration_minutes' => self::USUAL_MINUTES,
            ...$this->rules->begun(),
        ], [['person' => $person, 'role' => AttendeeRole::Required], ...array_values(array_map(static fn(Person $p): array => ['person' => $p, 'role' => AttendeeRole::Required, 'teamId' => $teamId], array_filter($with, static fn(Person $p): bool => $p->id !== $person->id)))]));
    }

    public function copyOf(Meeting $earlier, Account $coordinator): Meeting
    {
        return $this->like($earlier, $coordinator, $this->again($earlier));
    }

    /**
     * What is left of a meeting after its first minutes and a break, as a draft of its own.
     *
     * @param  int  $minutes  of the first part
     */
    public function secondPart(Meeting $first, Account $coordinator, int $minutes, int $break): Meeting
    {
        $moved = MoveSeries::by($this->series->of($first), $minutes + $break);

        return $this->like($first, $coordinator, $moved->byDates ?? $moved->series, [
            'title' => __('planning.second_part', ['title' => mb_substr($first->title, 0, SheetLimits::TITLE - 20)]),
            'duration_minutes' => $first->duration_minutes - $minutes,
            'moved_local' => MeetingSeries::columns($moved->series, $this->series->moved($first)->shifted(($minutes + $break) * 60))['moved_local'],
        ], isWhole: false);
    }

    /**
     * @param  array<string, mixed>  $otherwise  columns that are otherwise
     * @param  bool  $isWhole  with its agenda
     */
    private function like(Meeting $earlier, Account $coordinator, Series $series, array $otherwise = [], bool $isWhole = true): Meeting
    {
        $earlier->loadMissing(['agenda', 'attendees']);

        return Decide::on(function () use ($earlier, $coordinator, $series, $otherwise, $isWhole): Meeting {
            $meeting = $this->create($coordinator, [
                'host_id' => $earlier->host_id,
                'title' => $earlier->title,
                'purpose' => $earlier->purpose,
                'links' => $earlier->links,
                ...MeetingSeries::columns($series),
                'zone' => $earlier->zone,
                'duration_minutes' => $earlier->duration_minutes,
                'join_mode' => $earlier->join_mode,
                'place' => $earlier->place,
                'room' => $earlier->room,
                'hides_people' => $earlier->hides_people,
                ...EntryChoices::of($earlier)->columns(),
                ...$otherwise,
            ]);
            foreach ($isWhole ? $earlier->agenda : [] as $item) {
                $meeting->agenda()->create(['position' => $item->position, 'title' => $item->title, 'minutes' => $item->minutes, 'speaker' => $item->speaker]);
            }
            foreach ($earlier->attendees as $attendee) {
                $meeting->attendees()->create(['person_id' => $attendee->person_id, 'position' => $attendee->position, 'role' => $attendee->role, 'team_id' => $attendee->team_id]);
            }

            return $meeting;
        });
    }

    /**
     * @param  array<string, mixed>  $values  of the meeting
     * @param  list<array{person: Person, role: AttendeeRole, teamId?: ?string}>  $people
     */
    public function with(Account $coordinator, array $values, array $people): Meeting
    {
        $meeting = $this->create($coordinator, $values);
        KeepRows::attendees($meeting, array_map(static fn(array $p): array => ['personId' => $p['person']->id, 'role' => $p['role'], 'teamId' => $p['teamId'] ?? null], $people));

        return $meeting;
    }

    /**
     * A draft with these words and nobody on it. The sheet of a change is in no list, since what it changes stands there.
     *
     * @param  array<string, mixed>  $values  of the meeting
     */
    public function create(Account $coordinator, array $values): Meeting
    {
        $meeting = Meeting::query()->create([
            'uid' => strtolower((string) Str::ulid()) . '@' . config('syndex.mail_domain'),
            'address_token' => Str::lower(Str::random(16)),
            'coordinator_id' => $coordinator->id,
            'status' => MeetingStatus::Draft,
            ...$values,
        ]);
        $meeting->refresh();
        // A sheet on which nothing stands yet is in no list until something does.
        if ($meeting->title !== '' && $meeting->changes_id === null) {
            $meeting->update(['shown_at' => ShownAt::first($this->series->of($meeting), $this->zones->zone($meeting->zone))]);
            FindWords::keepMeeting($meeting->id, SearchKey::distinct($meeting->title));
        }

        return $meeting;
    }

    /** Tomorrow about this time, as soon as the person works: what the clock of their zone shows then. */
    private function proposed(Person $person, Zone $zone): int
    {
        $tomorrow = now()->getTimestamp() + 86400;
        $hour = 3600 + $zone->toWall($tomorrow);
        $start = $person->workingHours($this->rules->workingWeek())->firstFullHour($tomorrow, self::USUAL_MINUTES, $zone);

        return $start === null ? $hour - $hour % 3600 : $zone->toWall($start);
    }

    private function again(Meeting $earlier): Series
    {
        $series = $this->series->of($earlier);
        $now = $this->zones->zone($earlier->zone)->toWall(now()->getTimestamp());
        try {
            return PlanAgain::of($series, $now);
        } catch (NoDates|InvalidTime) {
            // A rule that has no date ahead is begun anew without one.
            return PlanAgain::of($series->withRule(null), $now);
        }
    }
}
