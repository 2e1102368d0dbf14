<?php

declare(strict_types=1);

namespace App\Invitations;

use App\People\Person;
use App\Planning\Attendee;
use App\Planning\Meeting;
use App\Planning\MeetingSeries;
use App\Planning\SheetView;
use Syndex\Core\ICalendar\AttendeeRole;
use Syndex\Core\Invitations\Change;
use Syndex\Core\Invitations\MailAddress;
use Syndex\Core\Invitations\Message;
use Syndex\Core\Invitations\Method;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Time\Instant;
use Syndex\Core\Time\PlaceName;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\Work;

/** Reads a change back before it is sent: what is different, who hears what, and who hears nothing. */
final readonly class ReadBackChange
{
    public function __construct(
        private FreezeMeeting $freeze,
        private CoreMeeting $core,
        private PlanChange $plan,
        private DescribeChange $describe,
        private Readiness $readiness,
        private WriteLetter $letters,
        private MeetingSeries $series,
        private SheetView $view,
        private ZoneData $zones,
    ) {}

    /** @return array<string, mixed> */
    public function of(Meeting $sheet, bool $tellAll): array
    {
        $meeting = $this->meetingOf($sheet);
        [$before, $after] = [$this->freeze->asItStands($meeting), $this->plan->asItWouldBe($sheet, $meeting)];
        $planned = $this->plan->of($meeting, $before, $after, $tellAll);
        $told = [];
        foreach ($planned->groups as ['messages' => $messages]) {
            foreach ($messages as $message) {
                $told[$message->to][] = $message;
            }
        }
        ksort($told, SORT_STRING);
        $people = self::people($before, $after);
        // The meeting's own address or the host's, as a house rule says: only the latter can be on the list.
        $organizer = MailAddress::key($this->core->of($after)->organizerAddress);

        return [
            'meeting' => $this->view->of($sheet),
            'sentence' => $this->view->of($meeting)['sentence'],
            'missing' => $this->readiness->missing($sheet),
            'different' => $this->describe->of($before, $after),
            'told' => array_map(fn(array $messages): array => $this->row($messages, $people, $before, $after), array_values($told)),
            'untouched' => array_map(static fn(string $address): array => [
                'name' => ($people[$address] ?? null)?->called() ?? $address,
                'isOrganizer' => MailAddress::key($address) === $organizer,
            ], $planned->untouched),
            'people' => self::roll($before) !== self::roll($after),
        ];
    }

    /** What one of those who are told will get. */
    public function letter(Meeting $sheet, Person $person, bool $tellAll, ?string $words = null): ?Letter
    {
        $meeting = $this->meetingOf($sheet);
        $after = $this->plan->asItWouldBe($sheet, $meeting)->withWords($words);
        foreach ($this->plan->of($meeting, $this->freeze->asItStands($meeting), $after, $tellAll)->groups as ['known' => $known, 'messages' => $messages]) {
            foreach ($messages as $message) {
                if ($message->to === $person->email) {
                    return $known === null ? $this->letters->invitation($after, $person) : $this->letters->change($known->withWords($words), $after, $person, $message);
                }
            }
        }

        return null;
    }

    private function meetingOf(Meeting $sheet): Meeting
    {
        return Meeting::query()->with(['agenda', 'attendees.person', 'kit', 'host', 'coordinator.person'])->findOrFail($sheet->changes_id);
    }

    /**
     * @param  non-empty-list<Message>  $messages  to one recipient
     * @param  array<string, Person>  $people
     * @return array<string, mixed>
     */
    private function row(array $messages, array $people, MeetingAsTold $before, MeetingAsTold $after): array
    {
        $to = $messages[0]->to;
        $person = $people[$to] ?? null;
        $changes = Change::sorted(array_merge(...array_column($messages, 'changes')));
        $isOut = array_filter($messages, static fn(Message $m): bool => $m->method === Method::Request) === [];
        $isNew = $changes === [Change::New];
        $zone = $person?->zone !== null && $this->zones->knows($person->zone) ? $person->zone : $after->meeting->zone;
        $attendee = $after->meeting->attendees->first(static fn(Attendee $a): bool => $a->person->email === $to);
        $date = count($messages) === 1 ? $messages[0]->recurrenceId : null;

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
            'now' => $isOut ? null : $this->first($after->meeting, $zone, null),
            'place' => PlaceName::of($zone),
        ];
    }

    /** The next date on somebody's own clock; of days the date. */
    private function first(Meeting $meeting, string $zone, ?string $date): ?string
    {
        $series = $this->series->of($meeting);
        if ($date !== null) {
            return $series->allDay ? "{$date}T00:00:00" : $this->local($series->moment(WallTime::parse($date)->seconds), $zone);
        }
        $start = self::next($series);

        return match (true) {
            $start === null => null,
            $series->allDay => WallTime::ofSeconds($start)->format(),
            default => $this->local($start, $zone),
        };
    }

    private static function next(Series $series): ?int
    {
        return $series->expand(Work::usual(), from: Instant::ofSeconds(now()->getTimestamp()), limit: 1)->starts[0] ?? null;
    }

    private function local(int $moment, string $zone): string
    {
        return WallTime::ofSeconds($this->zones->zone($zone)->toWall($moment))->format();
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
            foreach ($told->meeting->attendees as $attendee) {
                $people[$attendee->person->email] = $attendee->person;
            }
        }

        return $people;
    }
}
