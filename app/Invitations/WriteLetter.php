<?php

declare(strict_types=1);

namespace App\Invitations;

use App\People\Person;
use App\Planning\Attendee;
use App\Planning\Meeting;
use App\Planning\MeetingSeries;
use Illuminate\Contracts\View\Factory;
use Syndex\Core\ICalendar\AttendeeRole;
use Syndex\Core\Invitations\Change;
use Syndex\Core\Invitations\Message;
use Syndex\Core\Invitations\Method;
use Syndex\Core\Joining\MeetingNumber;
use Syndex\Core\Joining\PhoneText;
use Syndex\Core\Recurrence\Expansion;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Sentence\English\EnglishWords;
use Syndex\Core\Sentence\Grammar;
use Syndex\Core\Sentence\SentencePiece;
use Syndex\Core\Shifts\LocalReading;
use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\PlaceName;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\Zone;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\Work;

/** Writes what one recipient reads of a meeting, in that recipient's own local time. */
final class WriteLetter
{
    private const DATES = 1000;

    private const OWN_DATES = 6;

    /** @var \WeakMap<Meeting, Expansion> */
    private \WeakMap $dates;

    public function __construct(private readonly Factory $views, private readonly MeetingSeries $series, private readonly ZoneData $zones, private readonly Grammar $grammar, private readonly DescribeChange $changes)
    {
        $this->dates = new \WeakMap();
    }

    public function invitation(MeetingAsTold $told, Person $person): Letter
    {
        $meeting = $told->meeting;
        $facts = $this->facts($told, $person);

        return $this->letter($this->subject($meeting, $facts), 'mail.invitation', 'mail.invitation-text', $facts);
    }

    /** @param array<string, mixed> $facts */
    private function subject(Meeting $meeting, array $facts): string
    {
        return $meeting->all_day
            ? __('mail.subject_invitation_all_day', ['title' => $meeting->title, 'date' => $facts['shortDate']])
            : __('mail.subject_invitation', ['title' => $meeting->title, 'date' => $facts['shortDate'], 'clock' => $facts['clock'], 'place' => $facts['place']]);
    }

    /** The meeting as if it were the one date that its series names so, on the day to which that was moved. */
    private function onDate(MeetingAsTold $told, ?string $recurrenceId): MeetingAsTold
    {
        if ($recurrenceId === null) {
            return $told;
        }
        $date = WallTime::parse(strlen($recurrenceId) === 10 ? "{$recurrenceId}T00:00:00" : $recurrenceId);
        foreach ($this->series->moved($told->meeting)->pairs() as [$from, $to]) {
            $date = $from->seconds === $date->seconds ? $to : $date;
        }
        $one = clone $told->meeting;
        $one->setRawAttributes([...$one->getAttributes(), 'starts_local' => str_replace('T', ' ', $date->format()), 'rrule' => null, 'extra_local' => '[]', 'dropped_local' => '[]', 'moved_local' => '[]']);

        return new MeetingAsTold($one, $told->organisation, $told->organizer, $told->words);
    }

    /** @param array{what: string, was: ?string, now: ?string} $line */
    private static function changeLine(array $line): string
    {
        return match (true) {
            $line['was'] === null => __("mail.now_$line[what]", ['now' => $line['now']]),
            $line['now'] === null => __("mail.gone_$line[what]", ['was' => $line['was']]),
            default => __("mail.changed_$line[what]", ['was' => $line['was'], 'now' => $line['now']]),
        };
    }

    /** What a change means to one of those it concerns. */
    public function change(MeetingAsTold $before, MeetingAsTold $after, Person $person, Message $message): Letter
    {
        $isCancel = $message->method === Method::Cancel;
        $told = $this->onDate($isCancel ? $before : $after, $message->recurrenceId);
        if ($isCancel) {
            $lead = match (true) {
                $message->recurrenceId !== null => 'date_off_by',
                $message->changes === [Change::People] => 'taken_out_by',
                default => 'called_off_by',
            };

            return $this->callingOff($told, $person, $lead);
        }
        if ($message->changes === [Change::New]) {
            return $this->invitation($told, $person);
        }
        $facts = [...$this->facts($told, $person), 'lead' => __('mail.changed_by', ['host' => $after->host()->called()]), 'changeLines' => array_map(self::changeLine(...), $this->changes->of($before, $after, $person, $message->changes))];

        return $this->letter(__('mail.subject_change', ['subject' => $this->subject($told->meeting, $facts)]), 'mail.invitation', 'mail.invitation-text', $facts);
    }

    /** @param 'called_off_by'|'taken_out_by'|'date_off_by' $lead */
    public function callingOff(MeetingAsTold $told, Person $person, string $lead = 'called_off_by'): Letter
    {
        $facts = $this->facts($told, $person);
        $facts['lead'] = __("mail.$lead", ['host' => $facts['host']]);

        return $this->letter(__($lead === 'taken_out_by' ? 'mail.subject_taken_out' : 'mail.subject_calling_off', ['title' => $told->meeting->title, 'date' => $facts['shortDate']]), 'mail.calling-off', 'mail.calling-off-text', $facts);
    }

    /**
     * @param view-string $view
     * @param view-string $plain
     * @param array<string, mixed> $facts
     */
    private function letter(string $subject, string $view, string $plain, array $facts): Letter
    {
        $text = $this->views->make($plain, $facts)->render();

        return new Letter(
            trim((string) preg_replace('/\s+/u', ' ', $subject)),
            trim((string) preg_replace("/\n{3,}/", "\n\n", $text)) . "\n",
            $this->views->make($view, $facts)->render(),
        );
    }

    /** @return array<string, mixed> */
    private function facts(MeetingAsTold $told, Person $person): array
    {
        $meeting = $told->meeting;
        $series = $this->series->of($meeting);
        $dates = $this->dates[$meeting] ??= $series->expand(Work::usual(), limit: self::DATES);
        $anchor = $this->zones->zone($meeting->zone);
        $known = $person->zone !== null && $this->zones->knows($person->zone);
        $zone = $known ? $this->zones->zone((string) $person->zone) : $anchor;
        $host = $told->host();
        $attendee = $meeting->attendees->first(static fn(Attendee $a): bool => $a->person_id === $person->id);
        $kit = $meeting->join_mode->isOnline() ? $meeting->kit : null;

        return [
            ...$this->when($meeting, $series, $dates, $anchor, $zone, $known),
            'meeting' => $meeting,
            'host' => $host->called(),
            'coordinator' => $meeting->coordinator->person_id === $host->id ? null : $meeting->coordinator->person->called(),
            'needed' => $attendee === null || $attendee->person_id === $meeting->host_id ? null : $attendee->role === AttendeeRole::Required,
            'kit' => $kit === null ? null : [
                'link' => $kit->link,
                'number' => MeetingNumber::of($kit->number)->format(),
                'digits' => $kit->number,
                'passcode' => $kit->passcode,
                'pin' => $kit->pin,
                'phones' => array_map(static fn(array $d): array => ['uri' => 'tel:' . $d['number'], 'text' => PhoneText::of($d['number']), 'country' => $d['country']], $kit->dial_ins),
            ],
            'where' => $meeting->join_mode->needsPlace() ? $meeting->place : null,
            'lead' => null,
            'words' => $told->words,
            'changeLines' => [],
            // Nobody is named to people who are hidden from each other.
            'who' => HidePeople::from($meeting) ? [] : $meeting->attendees->map(static fn(Attendee $a): string => $a->person->called())->all(),
            'footer' => $told->organisation === config('syndex.mail_name') ? __('mail.footer_alone') : __('mail.footer', ['organisation' => $told->organisation]),
        ];
    }

    /** @return array<string, mixed> */
    private function when(Meeting $meeting, Series $series, Expansion $dates, Zone $anchor, Zone $zone, bool $known): array
    {
        $reading = LocalReading::of($dates, $series->allDay ? $this->zones->zone('UTC') : $zone);
        $first = $reading->starts[0] ?? $series->start;
        $there = WallTime::ofSeconds($series->allDay ? $first->seconds : $anchor->toWall($dates->starts[0] ?? $series->moment($series->start->seconds)));
        $other = !$series->allDay && $known && $there->seconds !== $first->seconds;

        return [
            'date' => EnglishWords::weekdayAndDate($first),
            'shortDate' => self::short($first),
            'clock' => $first->formatClock(),
            'place' => PlaceName::of($zone->id),
            'length' => EnglishWords::length($meeting->duration_minutes),
            'allDay' => $series->allDay,
            'days' => intdiv($meeting->duration_minutes, 1440),
            'placeKnown' => $known,
            'anchorLine' => $other ? __('mail.anchor_time', ['clock' => $there->formatClock(), 'weekday' => self::weekday($there), 'place' => PlaceName::of($anchor->id)]) : null,
            'sentence' => $series->rule === null ? null : SentencePiece::join($this->grammar->pieces($series, $meeting->duration_minutes)),
            'ownDatesLine' => $series->rule !== null && $other && Gregorian::weekday($first->dayNumber()) !== Gregorian::weekday($there->dayNumber()) ? self::ownDates($reading, $dates->complete) : null,
            'shiftLines' => $series->allDay ? [] : array_map(static fn(array $e): string => self::shiftLine($e, $dates->complete), $reading->exceptions()),
        ];
    }

    /** The dates on the recipient's own calendar, where the anchor's weekday would mislead. */
    private static function ownDates(LocalReading $reading, bool $isWhole): string
    {
        $named = array_map(static fn(WallTime $wall): string => self::short($wall) . ', ' . $wall->formatClock(), array_slice($reading->starts, 0, self::OWN_DATES));
        $more = count($reading->starts) - count($named);

        return __('mail.own_dates', ['dates' => implode('; ', $named)]) . match (true) {
            !$isWhole => ' ' . __('mail.and_so_on'),
            $more > 0 => ' ' . __('mail.and_more', ['n' => (string) $more]),
            default => '',
        };
    }

    /**
     * Dates are counted only where all of them are known.
     *
     * @param  array{clock: string, first: WallTime, dates: int}  $other
     */
    private static function shiftLine(array $other, bool $isWhole): string
    {
        $with = ['date' => EnglishWords::date($other['first']), 'clock' => $other['clock']];

        return $isWhole
            ? __('mail.clock_shift', [...$with, 'dates' => $other['dates'] === 1 ? __('mail.one_date') : __('mail.n_dates', ['n' => (string) $other['dates']])])
            : __('mail.clock_shift_open', $with);
    }

    private static function weekday(WallTime $wall): string
    {
        return explode(' ', EnglishWords::weekdayAndDate($wall))[0];
    }

    /** "Wed 9 Dec 2026" */
    private static function short(WallTime $wall): string
    {
        [$weekday, $day, $month, $year] = explode(' ', EnglishWords::weekdayAndDate($wall));

        return substr($weekday, 0, 3) . " $day " . substr($month, 0, 3) . " $year";
    }
}
