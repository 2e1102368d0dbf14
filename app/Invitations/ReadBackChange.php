<?php

declare(strict_types=1);

namespace App\Invitations;

use App\People\Clocks;
use App\People\Person;
use App\Planning\Attendee;
use App\Planning\CutChange;
use App\Planning\DateAttendee;
use App\Planning\Meeting;
use App\Planning\MeetingSeries;
use App\Planning\SheetView;
use Syndex\Core\ICalendar\AttendeeRole;
use Syndex\Core\Invitations\Change;
use Syndex\Core\Invitations\DateSet;
use Syndex\Core\Invitations\MailAddress;
use Syndex\Core\Invitations\Message;
use Syndex\Core\Invitations\Method;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Time\Instant;
use Syndex\Core\Time\PlaceName;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\Zone;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\Work;

/** Reads a change back before it is sent: what is different, who hears what, and who hears nothing. */
final readonly class ReadBackChange
{
    public function __construct(
        private FreezeMeeting $freeze,
        private CoreMeeting $core,
        private PlanChange $plan,
        private CutChange $cuts,
        private DescribeChange $describe,
        private Readiness $readiness,
        private WriteLetter $letters,
        private MeetingSeries $series,
        private SheetView $view,
        private ZoneData $zones,
        private Clocks $clocks,
    ) {}

    /** @return array<string, mixed> */
    public function of(Meeting $sheet, bool $tellAll): array
    {
        $meeting = $this->meetingOf($sheet);
        $step = $this->stepOf($sheet, $meeting, $tellAll);
        $told = [];
        foreach ($step->planned->groups as $group) {
            foreach ($group->messages as $message) {
                $told[$message->to][] = [$message, $group->isLater];
            }
        }
        ksort($told, SORT_STRING);
        $people = self::people($step->was, $step->is);
        // The meeting's own address or the host's, as a house rule says: only the latter can be on the list.
        $organizer = MailAddress::key($this->core->of($step->is)->organizerAddress);

        return [
            'meeting' => $this->view->of($sheet),
            'sentence' => $this->view->of($meeting)['sentence'],
            'missing' => $this->readiness->missing($sheet),
            'from' => $step->from?->format(),
            'different' => $this->describe->of($step->was, $step->is),
            'told' => array_map(fn(array $messages): array => $this->row($messages, $people, $step), array_values($told)),
            'untouched' => array_map(static fn(string $address): array => [
                'name' => ($people[$address] ?? null)?->called() ?? $address,
                'isOrganizer' => MailAddress::key($address) === $organizer,
            ], $step->planned->untouched),
            'people' => self::roll($step->was) !== self::roll($step->is),
        ];
    }

    /** What one of those who are told will get; of a series that is cut, what tells of its later part. */
    public function letter(Meeting $sheet, Person $person, bool $tellAll, ?string $words = null): ?Letter
    {
        $meeting = $this->meetingOf($sheet);
        $step = $this->stepOf($sheet, $meeting, $tellAll);
        $found = null;
        foreach ($step->planned->groups as $group) {
            foreach ($group->messages as $message) {
                if ($message->to === $person->email && ($found === null || $group->isLater)) {
                    $found = [$group, $message];
                }
            }
        }
        if ($found === null) {
            return null;
        }
        [$group, $message] = $found;

        return match (true) {
            $group->isLater => $this->letters->goesOn($step->was->withWords($words), $step->is->withWords($words), $person, $message),
            $group->known === null => $this->letters->invitation($step->after->withWords($words), $person, $message->recurrenceId),
            default => $this->letters->change($group->known->withWords($words), $step->after->withWords($words)->cutFrom($step->from), $person, $message, $step->from === null ? null : false),
        };
    }

    private function stepOf(Meeting $sheet, Meeting $meeting, bool $tellAll): ReadStep
    {
        $before = $this->freeze->asItStands($meeting);
        $sheet = $this->cuts->keepPast($sheet, $meeting);
        $cut = $this->cuts->of($sheet, $meeting);
        if ($cut === null) {
            $after = $this->plan->asItWouldBe($sheet, $meeting);

            return new ReadStep($this->plan->of($meeting, $before, $after, $tellAll), $before, $after, $after, null);
        }
        $earlier = $this->plan->asItWouldBe($cut->earlier, $meeting);
        $wasLater = $this->plan->asItWouldBe($cut->wasLater, $meeting);
        $later = $this->plan->asItWouldBe($cut->later, $meeting, isLater: true);

        return new ReadStep($this->plan->ofCut($meeting, $before, $earlier, $wasLater, $later), $wasLater, $later, $earlier, $cut->from, $this->plan->differences($wasLater, $later));
    }

    private function meetingOf(Meeting $sheet): Meeting
    {
        return Meeting::query()->with(['agenda', 'attendees.person', 'dates.attendees.person', 'kit', 'host', 'coordinator.person'])->findOrFail($sheet->changes_id);
    }

    /**
     * @param  non-empty-list<array{Message, bool}>  $found  to one recipient, and whether they are of the later part of a series that is cut
     * @param  array<string, Person>  $people
     * @return array<string, mixed>
     */
    private function row(array $found, array $people, ReadStep $step): array
    {
        [$before, $after] = [$step->was, $step->is];
        $messages = array_column($found, 0);
        $to = $messages[0]->to;
        $person = $people[$to] ?? null;
        $isLater = array_filter($found, static fn(array $m): bool => $m[1]) !== [];
        $wasAsked = self::asks($before, $to);
        $changes = match (true) {
            $step->from === null => Change::sorted(array_merge(...array_column($messages, 'changes'))),
            // Told of the part that ends, and of the one that goes on: what differs between that and what was to come.
            $isLater && $wasAsked => $step->differences[$to] ?? [],
            $isLater => [Change::New],
            default => [Change::People],
        };
        $isOut = $step->from !== null ? !$isLater : array_filter($messages, static fn(Message $m): bool => $m->method === Method::Request) === [];
        $isNew = $changes === [Change::New];
        $zone = ($person === null ? null : $this->clocks->of($person)) ?? $this->zones->zone($after->meeting->zone);
        $attendee = array_values(array_filter($after->meeting->everybody(), static fn(Attendee|DateAttendee $a): bool => $a->person->email === $to))[0] ?? null;
        $date = count($messages) === 1 && $step->from === null ? $messages[0]->recurrenceId : null;

        return [
            'personId' => $person?->id,
            'name' => $person?->called() ?? $to,
            'role' => match (true) {
                $attendee === null => 'out',
                $attendee->person_id === $after->meeting->host_id => 'host',
                default => $attendee->role === AttendeeRole::Optional ? 'optional' : 'required',
            },
            'changes' => array_column($changes, 'value'),
            'was' => $isNew ? null : $this->first($before->meeting, $zone, $date),
            'now' => $isOut ? null : $this->first($after->meeting, $zone, $date === null || !$this->isDate($after->meeting, $date) ? null : $date),
            'dates' => count(array_filter(array_column($messages, 'recurrenceId'))),
            'place' => PlaceName::of($zone->id),
        ];
    }

    /** The next date on somebody's own clock; of days the date. */
    private function first(Meeting $meeting, Zone $zone, ?string $date): ?string
    {
        $series = $this->series->of($meeting);
        if ($date !== null) {
            $at = $this->where($meeting, $date);

            return $series->allDay ? $at->format() : $this->local($series->moment($at->seconds), $zone);
        }
        $start = self::next($series);

        return match (true) {
            $start === null => null,
            $series->allDay => WallTime::ofSeconds($start)->format(),
            default => $this->local($start, $zone),
        };
    }

    /** Where a date that the series names so is. */
    private function where(Meeting $meeting, string $date): WallTime
    {
        $named = WallTime::parse(strlen($date) === 10 ? "{$date}T00:00:00" : $date);
        foreach ($this->series->moved($meeting)->pairs() as [$from, $to]) {
            if ($from->seconds === $named->seconds) {
                return $to;
            }
        }

        return $named;
    }

    private function isDate(Meeting $meeting, string $date): bool
    {
        $at = $this->where($meeting, $date);

        return DateSet::among($this->series->of($meeting), [$at], Work::usual())->has($at);
    }

    private static function asks(MeetingAsTold $told, string $address): bool
    {
        return array_filter($told->meeting->everybody(), static fn(Attendee|DateAttendee $a): bool => $a->person->email === $address) !== [];
    }

    private static function next(Series $series): ?int
    {
        return $series->expand(Work::usual(), from: Instant::ofSeconds(now()->getTimestamp()), limit: 1)->starts[0] ?? null;
    }

    private function local(int $moment, Zone $zone): string
    {
        return WallTime::ofSeconds($zone->toWall($moment))->format();
    }

    /** @return array<string, string> who is asked, and how much */
    private static function roll(MeetingAsTold $told): array
    {
        $roll = $told->meeting->attendees->mapWithKeys(static fn(Attendee $a): array => [$a->person_id => $a->role->value])->all();
        ksort($roll);

        return $roll;
    }

    /** @return array<string, Person> by address, of both states */
    private static function people(MeetingAsTold $before, MeetingAsTold $after): array
    {
        $people = [];
        foreach ([$before, $after] as $told) {
            foreach ($told->meeting->everybody() as $attendee) {
                $people[$attendee->person->email] = $attendee->person;
            }
        }

        return $people;
    }
}
