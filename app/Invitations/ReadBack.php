<?php

declare(strict_types=1);

namespace App\Invitations;

use App\HouseRules\HouseRules;
use App\Overlap\PlanBoard;
use App\Overlap\SheetPeople;
use App\Overlap\SheetPlan;
use App\People\Clocks;
use App\People\PersonResource;
use App\Planning\Attendee;
use App\Planning\DateAsPlanned;
use App\Planning\DateAttendee;
use App\Planning\JoinMode;
use App\Planning\Meeting;
use App\Planning\MeetingSeries;
use App\Planning\RoomView;
use App\Planning\SheetOfMeeting;
use App\Planning\SheetView;
use Illuminate\Http\Request;
use Syndex\Core\Overlap\BoardBuilder;
use Syndex\Core\Overlap\Busy;
use Syndex\Core\Overlap\BusyKind;
use Syndex\Core\Overlap\DateJudge;
use Syndex\Core\Overlap\DateState;
use Syndex\Core\Overlap\Light;
use Syndex\Core\Overlap\Participant;
use Syndex\Core\Overlap\Plan;
use Syndex\Core\Overlap\Standing;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\PlaceName;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\ZoneData;

/** Reads a meeting back before it is sent: what is missing, what is still odd, and who will get what. */
final readonly class ReadBack
{
    public function __construct(private SheetOfMeeting $sheets, private SheetPeople $sheetPeople, private Readiness $readiness, private SheetView $view, private MeetingSeries $series, private ZoneData $zones, private Clocks $clocks, private HouseRules $rules, private Deliverable $deliverable, private RoomView $rooms) {}

    /** @return array<string, mixed> */
    public function of(Meeting $meeting): array
    {
        $meeting->loadMissing(['attendees.person', 'agenda', 'kit', 'host']);
        $sheet = $this->sheets->of($meeting);
        $laid = SheetPlan::of($sheet);
        $plan = $laid->plan;
        $series = $plan->series;
        $people = $this->sheetPeople->of($sheet, BoardBuilder::looksAt($plan), $meeting->known_as, $laid->leftOut($sheet), BoardBuilder::looksAtOptional($plan));
        $states = (new DateJudge($plan, $people))->all();

        return [
            'meeting' => $this->view->of($meeting),
            'missing' => $this->readiness->missing($meeting),
            'odd' => [...$this->people($states, count($states)), ...$this->pauses($plan, $people), ...$this->dateOdds($plan), ...$this->sheetOdds($meeting, $series->rule?->isOpen() === true), ...array_map(static fn(array $conflict): array => ['code' => 'room', ...$conflict], $meeting->join_mode->hasKit() ? $this->rooms->conflicts($sheet, $meeting->known_as) : [])],
            'recipients' => array_map(fn(Attendee|DateAttendee $a): array => $this->recipient($a, $meeting, $states), $meeting->everybody()),
            'unsendable' => $this->unsendable($meeting),
            'words' => $meeting->blueprint->words ?? '',
            'dates' => count($states),
            'complete' => $plan->dates->complete,
        ];
    }

    /**
     * @param  list<DateState>  $states
     * @return list<array<string, mixed>>
     */
    private function people(array $states, int $dates): array
    {
        $clashes = $nights = $off = $holidays = [];
        foreach ($states as $state) {
            foreach ($state->troubles as $standing) {
                if ($standing->clashes !== []) {
                    $clashes[$standing->id][] = ['on' => $state->wall, 'label' => implode(', ', array_unique($standing->clashes)), 'required' => $standing->required];
                }
                if ($standing->holiday !== null) {
                    $holidays[$standing->id][] = ['on' => $state->wall, 'name' => $standing->holiday];
                } elseif ($standing->light === Light::Night) {
                    $nights[$standing->id][] = self::clockOf($standing);
                } elseif (!in_array($standing->light, [Light::InHours, Light::Unknown], true)) {
                    $off[$standing->id][] = self::clockOf($standing);
                }
            }
        }
        $odd = [];
        foreach ($clashes as $id => $list) {
            $odd[] = ['code' => 'clash', 'personId' => $id, 'dates' => $list, 'required' => $list[0]['required']];
        }
        foreach ($holidays as $id => $list) {
            $odd[] = ['code' => 'holiday', 'personId' => $id, 'dates' => $list];
        }
        foreach (['night' => $nights, 'off_hours' => $off] as $code => $found) {
            foreach ($found as $id => $clocks) {
                $odd[] = ['code' => $code, 'personId' => $id, 'times' => array_values(array_unique($clocks)), 'count' => count($clocks), 'of' => $dates];
            }
        }

        return $odd;
    }

    /**
     * Who would come from another meeting, or go to one, without the pause that the house gives them.
     *
     * @param  list<Participant>  $people
     * @return list<array{code: 'no_pause', personId: string, minutes: int, count: int, of: int}>
     */
    private function pauses(Plan $plan, array $people): array
    {
        $minutes = $this->rules->pauseMinutes();
        if ($minutes === 0 || $plan->series->allDay) {
            return [];
        }
        $without = [];
        for ($index = 0; $index < $plan->dates->count(); $index++) {
            $slot = $plan->slot($index);
            $around = Interval::between($slot->start - $minutes * 60, $slot->end + $minutes * 60);
            foreach ($people as $person) {
                $close = array_filter($person->busyDuring($around), static fn(Busy $b): bool => $b->kind === BusyKind::Busy && !$b->interval->overlaps($slot));
                if ($close !== [] && $person->isAsked($plan->dates->walls[$index]) && !$person->taken->overlaps($slot)) {
                    $without[$person->id] = ($without[$person->id] ?? 0) + 1;
                }
            }
        }

        return array_map(static fn(string $id, int $count): array => ['code' => 'no_pause', 'personId' => $id, 'minutes' => $minutes, 'count' => $count, 'of' => $plan->dates->count()], array_keys($without), $without);
    }

    /** @return list<array<string, mixed>> dates that are past, and times that a clock skips */
    private function dateOdds(Plan $plan): array
    {
        $skipped = PlanBoard::skipped($plan->dates, $plan->series, $plan->anchor);
        $past = count(array_filter($plan->dates->starts, static fn(int $start): bool => $start < now()->getTimestamp()));

        return [
            ...($skipped === [] ? [] : [['code' => 'skipped', 'dates' => $skipped, 'place' => PlaceName::of($plan->anchor->id)]]),
            ...($past === 0 ? [] : [['code' => 'past', 'count' => $past, 'of' => $plan->dates->count()]]),
        ];
    }

    /** @return list<array<string, mixed>> */
    private function sheetOdds(Meeting $meeting, bool $isOpen): array
    {
        $odd = [];
        foreach ([
            'no_host' => $meeting->host_id === null,
            'no_purpose' => ($meeting->purpose ?? '') === '' && $meeting->agenda->isEmpty(),
            'no_join' => $meeting->join_mode === JoinMode::Undecided,
            'open_end' => $isOpen,
        ] as $code => $isSo) {
            if ($isSo) {
                $odd[] = ['code' => $code];
            }
        }
        $planned = (int) $meeting->agenda->sum('minutes');
        if ($planned > $meeting->duration_minutes) {
            $odd[] = ['code' => 'agenda_longer', 'minutes' => $planned, 'of' => $meeting->duration_minutes];
        }

        return $odd;
    }

    /** @return list<array{personId: string, problem: string}> whom no mail can reach at the address that is known */
    private function unsendable(Meeting $meeting): array
    {
        $found = [];
        foreach ($meeting->everybody() as $attendee) {
            $problem = $this->deliverable->problem($attendee->person->email);
            if ($problem !== null) {
                $found[] = ['personId' => $attendee->person_id, 'problem' => $problem];
            }
        }

        return $found;
    }

    /**
     * @param  list<DateState>  $states
     * @return array<string, mixed>
     */
    private function recipient(Attendee|DateAttendee $attendee, Meeting $meeting, array $states): array
    {
        $own = $this->datesOf($attendee, $meeting, $states);
        $states = $own ?? $states;
        $person = $attendee->person;
        $zone = $this->clocks->of($person);
        $start = isset($states[0]) ? strtotime($states[0]->start) : 0;
        $shown = $zone ?? $this->zones->zone($meeting->zone);

        return [
            'person' => (new PersonResource($person))->toArray(Request::create('/')),
            'role' => $attendee->role->value,
            'host' => $person->id === $meeting->host_id,
            // A date is the same date everywhere.
            'firstLocal' => $meeting->all_day ? $states[0]->wall ?? null : gmdate('Y-m-d\TH:i:s', $shown->toWall((int) $start)),
            'place' => PlaceName::of($shown->idAt((int) $start)),
            'placeKnown' => $zone !== null,
            // Of whoever is asked to some of the dates only.
            'dates' => $own === null ? null : count($own),
        ];
    }

    /**
     * @param  list<DateState>  $states
     * @return ?list<DateState> the dates to which somebody is asked; null: all
     */
    private function datesOf(Attendee|DateAttendee $asked, Meeting $meeting, array $states): ?array
    {
        if (!$meeting->dates->contains('own_people', true)) {
            return null;
        }
        $named = $this->series->named($meeting);
        $own = array_values(array_filter($states, static function (DateState $state) use ($asked, $meeting, $named): bool {
            $wall = WallTime::parse($state->wall);

            return DateAsPlanned::of($meeting, WallTime::ofSeconds($named[$wall->seconds] ?? $wall->seconds))->asks($asked->person_id);
        }));

        return count($own) === count($states) ? null : $own;
    }

    private static function clockOf(Standing $standing): string
    {
        return substr($standing->local ?? '', 11, 5);
    }
}
