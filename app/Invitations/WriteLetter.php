<?php

declare(strict_types=1);

namespace App\Invitations;

use App\Joining\GivenKit;
use App\People\Clocks;
use App\People\Person;
use App\Planning\Attendee;
use App\Planning\DateAsPlanned;
use App\Planning\DateAttendee;
use App\Planning\JoinMode;
use App\Planning\Meeting;
use App\Planning\MeetingSeries;
use Illuminate\Contracts\View\Factory;
use Syndex\Core\ICalendar\AttendeeRole;
use Syndex\Core\Invitations\Change;
use Syndex\Core\Invitations\Message;
use Syndex\Core\Invitations\Method;
use Syndex\Core\Recurrence\Expansion;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Sentence\Grammar;
use Syndex\Core\Sentence\Language;
use Syndex\Core\Sentence\SentencePiece;
use Syndex\Core\Shifts\LocalReading;
use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\Zone;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\Work;

/** Writes what one recipient reads of a meeting, in that recipient's own local time. */
final class WriteLetter
{
    private const DATES = 1000;

    private const OWN_DATES = 6;

    /** What may be different in the later part of a series that was cut. */
    private const TOLD_LATER = [Change::Time, Change::Length, Change::Repeats, Change::DateMoved, Change::DateDropped, Change::DateAdded, Change::Place, Change::Join, Change::Title, Change::Text, Change::Role, Change::Organizer];

    /** @var \WeakMap<Meeting, Expansion> */
    private \WeakMap $dates;

    public function __construct(private readonly Factory $views, private readonly MeetingSeries $series, private readonly ZoneData $zones, private readonly Clocks $clocks, private readonly Grammar $grammar, private readonly DescribeChange $changes)
    {
        $this->dates = new \WeakMap();
    }

    /** @param ?string $recurrenceId of one date, where only that is meant */
    public function invitation(MeetingAsTold $told, Person $person, ?string $recurrenceId = null): Letter
    {
        $told = $this->onDate($told, $recurrenceId);
        $facts = $this->facts($told, $person);

        return $this->letter($this->subject($told->meeting, $facts), 'mail.invitation', 'mail.invitation-text', $facts);
    }

    /**
     * What a change means to one of those it concerns.
     *
     * @param  ?bool  $goesOn  of a series that ends here: whether another goes on for that person; null: it does not end
     */
    public function change(MeetingAsTold $before, MeetingAsTold $after, Person $person, Message $message, ?bool $goesOn = null): Letter
    {
        $isCancel = $message->method === Method::Cancel;
        if ($isCancel) {
            return $this->callingOff($this->onDate($before, $message->recurrenceId), $person, match (true) {
                $message->recurrenceId !== null => 'date_off_by',
                $message->changes === [Change::People] => 'taken_out_by',
                default => 'called_off_by',
            });
        }
        if ($message->changes === [Change::New]) {
            return $this->invitation($after, $person, $message->recurrenceId);
        }
        $told = $this->onDate($after, $message->recurrenceId);
        $words = $this->words($told, $person);
        $lead = $words->say(match ($goesOn) {
            null => 'changed_by',
            true => 'ends_by',
            false => 'ends_for_you_by',
        }, ['host' => $after->host()->called(), 'date' => $words->language->date($this->cutAt($after))]);

        return $this->changed($told, $person, $lead, $this->changes->of($before, $after, $person, $message->changes));
    }

    /** The later part of a series that was cut, to somebody who knew what was to come. */
    public function goesOn(MeetingAsTold $wasLater, MeetingAsTold $later, Person $person, Message $message): Letter
    {
        $isKnown = array_filter($wasLater->meeting->everybody(), static fn(Attendee|DateAttendee $a): bool => $a->person_id === $person->id) !== [];
        if (!$isKnown) {
            return $this->invitation($later, $person, $message->recurrenceId);
        }
        $told = $this->onDate($later, $message->recurrenceId);
        $words = $this->words($told, $person);
        $from = $this->series->of($wasLater->meeting)->start;

        return $this->changed($told, $person, $words->say('goes_on_by', ['host' => $later->host()->called(), 'date' => $words->language->date($from)]), $this->changes->of($wasLater, $later, $person, self::TOLD_LATER));
    }

    /** @param 'called_off_by'|'taken_out_by'|'date_off_by' $lead */
    public function callingOff(MeetingAsTold $told, Person $person, string $lead = 'called_off_by'): Letter
    {
        $facts = $this->facts($told, $person);
        $words = $facts['say'];
        $facts['lead'] = $words->say($lead, ['host' => $facts['host']]);

        return $this->letter($words->say($lead === 'taken_out_by' ? 'subject_taken_out' : 'subject_calling_off', ['title' => $told->meeting->title, 'date' => $facts['shortDate']]), 'mail.calling-off', 'mail.calling-off-text', $facts);
    }

    /** @param list<array{what: string, was: ?string, now: ?string, date?: string}> $lines */
    private function changed(MeetingAsTold $told, Person $person, string $lead, array $lines): Letter
    {
        $words = $this->words($told, $person);
        $facts = [...$this->facts($told, $person), 'lead' => $lead, 'changeLines' => array_map(static fn(array $line): string => self::changeLine($words, $line), $lines)];

        return $this->letter($words->say('subject_change', ['subject' => $this->subject($told->meeting, $facts)]), 'mail.invitation', 'mail.invitation-text', $facts);
    }

    /** @param array<string, mixed> $facts */
    private function subject(Meeting $meeting, array $facts): string
    {
        return $meeting->all_day
            ? $facts['say']->say('subject_invitation_all_day', ['title' => $meeting->title, 'date' => $facts['shortDate']])
            : $facts['say']->say('subject_invitation', ['title' => $meeting->title, 'date' => $facts['shortDate'], 'clock' => $facts['clock'], 'place' => $facts['place']]);
    }

    private function words(MeetingAsTold $told, Person $person): LetterWords
    {
        return LetterWords::to($person, $told->host());
    }

    /** The first date that is no longer of a series that was cut. */
    private function cutAt(MeetingAsTold $earlier): WallTime
    {
        return $earlier->cutFrom ?? $this->series->of($earlier->meeting)->start;
    }

    /** The meeting as if it were the one date that its series names so, with all that it has of its own. */
    private function onDate(MeetingAsTold $told, ?string $recurrenceId): MeetingAsTold
    {
        if ($recurrenceId === null) {
            return $told;
        }
        $named = WallTime::parse(strlen($recurrenceId) === 10 ? "{$recurrenceId}T00:00:00" : $recurrenceId);
        $date = $named;
        foreach ($this->series->moved($told->meeting)->pairs() as [$from, $to]) {
            $date = $from->seconds === $named->seconds ? $to : $date;
        }
        $own = DateAsPlanned::of($told->meeting, $named);
        $one = clone $told->meeting;
        $one->setRawAttributes([
            ...$one->getAttributes(), 'starts_local' => str_replace('T', ' ', $date->format()), 'rrule' => null, 'extra_local' => '[]', 'dropped_local' => '[]', 'moved_local' => '[]',
            // A date that has a place is there too, whatever the others are.
            'join_mode' => ($own->place === null || $one->join_mode->needsPlace() ? $one->join_mode : ($one->join_mode->hasLink() ? JoinMode::Both : JoinMode::InPerson))->value,
            'title' => $own->title, 'duration_minutes' => $own->minutes, 'place' => $own->place, 'hides_people' => HidePeople::from($told->meeting),
        ]);
        $one->setRelation('attendees', collect($own->people));
        $one->setRelation('dates', collect());

        return new MeetingAsTold($one, $told->organisation, $told->organizer, $told->words, $told->cutFrom, $told->room);
    }

    /** @param array{what: string, was: ?string, now: ?string, date?: string} $line */
    private static function changeLine(LetterWords $words, array $line): string
    {
        return $words->say(match (true) {
            $line['was'] === null => "now_$line[what]",
            $line['now'] === null => "gone_$line[what]",
            default => "changed_$line[what]",
        }, ['was' => $line['was'] ?? '', 'now' => $line['now'] ?? '', 'date' => $line['date'] ?? '']);
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
            $facts['say']->language->tag,
        );
    }

    /** @return array<string, mixed> */
    private function facts(MeetingAsTold $told, Person $person): array
    {
        $meeting = $told->meeting;
        $words = $this->words($told, $person);
        $series = $this->series->of($meeting);
        $dates = $this->dates[$meeting] ??= $series->expand(Work::usual(), limit: self::DATES);
        $anchor = $this->zones->zone($meeting->zone);
        $own = $this->clocks->of($person);
        $zone = $own ?? $anchor;
        $known = $own !== null;
        $host = $told->host();
        $asked = array_values(array_filter($meeting->everybody(), static fn(Attendee|DateAttendee $a): bool => $a->person_id === $person->id))[0] ?? null;
        $kit = $meeting->join_mode->hasKit() && $meeting->kit !== null ? GivenKit::under($meeting->kit, $told->room) : null;
        $coordinator = $meeting->coordinator->person_id === $host->id ? null : $meeting->coordinator->person->called();

        return [
            ...$this->when($meeting, $series, $dates, $anchor, $zone, $known, $words),
            'say' => $words,
            'side' => $words->language->isRightToLeft() ? 'right' : 'left',
            'meeting' => $meeting,
            'host' => $host->called(),
            'needed' => $asked === null || $asked->person_id === $meeting->host_id ? null : $words->say($asked->role === AttendeeRole::Required ? 'required' : 'optional'),
            'kit' => $kit === null ? null : [
                'link' => $meeting->join_mode->hasLink() ? $kit->link : null,
                'typed' => KitWords::typed($kit, $words),
                'dialled' => KitWords::dialled($kit, $words),
                'phones' => PhonesFor::of($told, PhonesFor::country($told, $person), $words),
            ],
            'entry' => EntryWords::of($told, $person, $words),
            'where' => $meeting->join_mode->needsPlace() ? $meeting->place : null,
            'lead' => $coordinator === null ? $words->say('asks_you', ['host' => $host->called()]) : $words->say('asks_you_through', ['host' => $host->called(), 'coordinator' => $coordinator]),
            'words' => $told->words,
            'changeLines' => [],
            'asksToKeep' => $meeting->not_forwarded,
            // Nobody is named to people who are hidden from each other.
            'who' => HidePeople::from($meeting) ? [] : $meeting->attendees->map(static fn(Attendee|DateAttendee $a): string => $a->person->called())->all(),
            'footer' => $told->organisation === config('syndex.mail_name') ? $words->say('footer_alone') : $words->say('footer', ['organisation' => $told->organisation]),
        ];
    }

    /** @return array<string, mixed> */
    private function when(Meeting $meeting, Series $series, Expansion $dates, Zone $anchor, Zone $zone, bool $known, LetterWords $words): array
    {
        $language = $words->language;
        $reading = LocalReading::of($dates, $series->allDay ? $this->zones->zone('UTC') : $zone);
        $first = $reading->starts[0] ?? $series->start;
        $there = WallTime::ofSeconds($series->allDay ? $first->seconds : $anchor->toWall($dates->starts[0] ?? $series->moment($series->start->seconds)));
        // Where they are on the first date, which need not be at home.
        $place = $language->place($zone->idAt($dates->starts[0] ?? $series->moment($series->start->seconds)));
        $other = !$series->allDay && $known && $there->seconds !== $first->seconds;
        $length = $language->length($meeting->duration_minutes);

        return [
            'date' => $language->weekdayAndDate($first),
            'shortDate' => $language->shortDate($first),
            'clock' => $language->clock($first),
            'place' => $place,
            'allDay' => $series->allDay,
            'dateLine' => $series->allDay ? $language->weekdayAndDate($first) : $words->dateAndClock($first),
            'lengthLine' => $series->allDay ? $words->say('all_day', ['n' => intdiv($meeting->duration_minutes, 1440)]) : $words->say('local_time', ['place' => $place, 'length' => $length]),
            'anchorLine' => $other ? $words->say('anchor_time', ['clock' => $language->clock($there), 'weekday' => $language->weekday($there), 'place' => $language->place($anchor->id)]) : null,
            'repeatsLine' => $series->rule === null ? null : $words->say('repeats', ['sentence' => $this->sentence($series, $meeting->duration_minutes, $language)]),
            'ownDatesLine' => $series->rule !== null && $other && Gregorian::weekday($first->dayNumber()) !== Gregorian::weekday($there->dayNumber()) ? self::ownDates($reading, $dates->complete, $words) : null,
            'shiftLines' => $series->allDay ? [] : array_map(static fn(array $e): string => self::shiftLine($e, $dates->complete, $words), $reading->exceptions()),
        ];
    }

    /** English has words for more rules, since it is read there too. */
    private function sentence(Series $series, int $minutes, Language $language): string
    {
        return $language->tag === 'en' ? SentencePiece::join($this->grammar->pieces($series, $minutes)) : $language->sentence($series, $minutes);
    }

    /** The dates on the recipient's own calendar, where the anchor's weekday would mislead. */
    private static function ownDates(LocalReading $reading, bool $isWhole, LetterWords $words): string
    {
        $named = array_map(static fn(WallTime $wall): string => $words->say('date_clock', ['date' => $words->language->shortDate($wall), 'clock' => $words->language->clock($wall)]), array_slice($reading->starts, 0, self::OWN_DATES));
        $more = count($reading->starts) - count($named);
        $dates = implode('; ', $named);

        return match (true) {
            !$isWhole => $words->say('own_dates_on', ['dates' => $dates]),
            $more > 0 => $words->say('own_dates_more', ['dates' => $dates, 'n' => $more]),
            default => $words->say('own_dates', ['dates' => $dates]),
        };
    }

    /**
     * Dates are counted only where all of them are known.
     *
     * @param  array{clock: string, first: WallTime, dates: int}  $other
     */
    private static function shiftLine(array $other, bool $isWhole, LetterWords $words): string
    {
        $with = ['date' => $words->language->date($other['first']), 'clock' => $other['clock']];

        return $isWhole ? $words->say('clock_shift', [...$with, 'n' => $other['dates']]) : $words->say('clock_shift_open', $with);
    }
}
