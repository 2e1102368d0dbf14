<?php

declare(strict_types=1);

namespace Syndex\Core\Invitations;

use Syndex\Core\ICalendar\CalendarAttendee;
use Syndex\Core\ICalendar\CalendarPerson;
use Syndex\Core\ICalendar\CalendarTime;
use Syndex\Core\ICalendar\Entry;
use Syndex\Core\ICalendar\EntryWriter;
use Syndex\Core\ICalendar\EventStatus;
use Syndex\Core\ICalendar\SeriesTimes;
use Syndex\Core\Recurrence\PlainDates;
use Syndex\Core\Time\Instant;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Work;

/** The calendar texts of one step; those that are the same for many are written once. */
final class MessageTexts
{
    /** So many octets of an answer cost a step. */
    private const OCTETS = 64;

    /** @var array<string, string> */
    private array $written = [];

    public function __construct(
        private readonly ?MeetingSnapshot $before,
        private readonly ?MeetingSnapshot $after,
        private readonly int $sequence,
        private readonly Instant $now,
        private readonly Work $work,
    ) {}

    /** In the zone of the later state for a REQUEST, of the earlier for a CANCEL; null for the whole set. */
    public function recurrenceId(Saying $saying): ?string
    {
        $wall = $saying->date?->recurrenceId;

        return $wall === null ? null : ($this->meeting($saying)->series->allDay ? $wall->formatDate() : $wall->format());
    }

    public function of(Saying $saying): string
    {
        $isHidden = $this->meeting($saying)->hidesPeople;
        $takenOut = $saying->method === Method::Cancel ? self::seenBy($isHidden ? $saying->key : null, $this->takenOut($saying)) : [];
        $as = implode(' ', [
            $isHidden ? $saying->key : '',
            $saying->method->value, $saying->date->recurrenceId->seconds ?? '', (int) $saying->isOff,
            ...array_map(static fn(WallTime $wall): int => $wall->seconds, $saying->off), ...array_map(static fn(Invitee $i): string => $i->key, $takenOut),
        ]);
        $text = $this->written[$as] ??= $this->write($saying, $takenOut);
        $this->work->spend(intdiv(strlen($text), self::OCTETS));

        return $text;
    }

    /**
     * A plain text of a meeting as it stands: the whole set, each date that differs as an entry of its own (RFC 5546 3.2.2).
     *
     * @param  list<WallTime>  $off  dates to leave out
     * @param  ?string  $seenBy  by whom, where people are hidden from each other
     * @return list<Entry>
     */
    public static function entries(MeetingSnapshot $meeting, int $sequence, Instant $now, array $off = [], ?string $seenBy = null): array
    {
        $reader = $meeting->hidesPeople ? $seenBy : null;
        $invited = self::attendees(self::seenBy($reader, $meeting->invitees), true);
        $series = PlainDates::needed($meeting->series) ? PlainDates::of($meeting->series) : $meeting->series;
        // In order, since readers have been seen to lose dates that are not.
        $series = $series->withDates($series->start, $series->rule, self::together($series->extra, []), self::together($series->dropped, $off));
        $times = SeriesTimes::of($series, $meeting->durationMinutes);
        $entries = [self::entry($meeting, $sequence, $now, $times->start, $times->end, $meeting->summary, $meeting->location, $invited, EventStatus::Confirmed, times: $times)];
        $without = array_fill_keys(array_map(static fn(WallTime $wall): int => $wall->seconds, $off), true);
        foreach ($meeting->exceptions as $seconds => $date) {
            if (!isset($without[$seconds])) {
                $entries[] = self::date($meeting, $date, $sequence, $now, self::attendees(self::seenBy($reader, $date->invitees), true), EventStatus::Confirmed);
            }
        }

        return $entries;
    }

    /** @param list<Invitee> $takenOut */
    private function write(Saying $saying, array $takenOut): string
    {
        $meeting = $this->meeting($saying);
        if ($saying->method === Method::Cancel) {
            $status = $saying->isOff ? EventStatus::Cancelled : null;
            $attendees = self::attendees($takenOut, false);
            if ($saying->date !== null) {
                $entries = [self::date($meeting, $saying->date, $this->sequence, $this->now, $attendees, $status, isCancel: true)];
            } else {
                $times = SeriesTimes::of(PlainDates::needed($meeting->series) ? PlainDates::of($meeting->series) : $meeting->series, $meeting->durationMinutes);
                $entries = [self::entry($meeting, $this->sequence, $this->now, $times->start, $times->end, $meeting->summary, null, $attendees, $status, times: $times, isCancel: true)];
            }
        } else {
            $entries = $saying->date === null
                ? self::entries($meeting, $this->sequence, $this->now, $saying->off, $saying->key)
                : [self::date($meeting, $saying->date, $this->sequence, $this->now, self::attendees(self::seenBy($meeting->hidesPeople ? $saying->key : null, $saying->date->invitees), true), EventStatus::Confirmed)];
        }

        return EntryWriter::write($saying->method->value, $entries, $this->now->seconds, $this->work);
    }

    /**
     * ATTENDEE of a CANCEL: everybody where all of it or that date is off, else those taken out and no others (RFC 5546 3.2.5).
     *
     * @return list<Invitee>
     */
    private function takenOut(Saying $saying): array
    {
        $was = $saying->date->invitees ?? $this->meeting($saying)->invitees;
        if ($saying->isOff) {
            return $was;
        }
        $now = $saying->date === null ? null : $this->after?->on($saying->date->recurrenceId);

        return array_values(array_filter($was, fn(Invitee $i): bool => $i->key === $saying->key || ($now === null ? $this->after?->invitee($i->key) : $now->invitee($i->key)) === null));
    }

    private function meeting(Saying $saying): MeetingSnapshot
    {
        $meeting = $saying->method === Method::Cancel ? $this->before : $this->after;
        assert($meeting !== null, 'nothing is said of a meeting that is not');

        return $meeting;
    }

    /** @param list<CalendarAttendee> $attendees */
    private static function date(MeetingSnapshot $meeting, MeetingDate $date, int $sequence, Instant $now, array $attendees, ?EventStatus $status, bool $isCancel = false): Entry
    {
        $series = $meeting->series;
        $start = SeriesTimes::wall($series, $date->start);
        $end = SeriesTimes::end($series, $date->start, $date->durationMinutes);

        return self::entry($meeting, $sequence, $now, $start, $end, $date->summary, $date->location, $attendees, $status, SeriesTimes::wall($series, $date->recurrenceId), isCancel: $isCancel);
    }

    /** @param list<CalendarAttendee> $attendees */
    private static function entry(
        MeetingSnapshot $meeting,
        int $sequence,
        Instant $now,
        CalendarTime $start,
        CalendarTime $end,
        string $summary,
        ?string $location,
        array $attendees,
        ?EventStatus $status,
        ?CalendarTime $recurrenceId = null,
        ?SeriesTimes $times = null,
        bool $isCancel = false,
    ): Entry {
        $link = $isCancel ? null : $meeting->url;
        $places = array_filter([$location, $meeting->showsLinkAsPlace ? $link : null], static fn(?string $part): bool => $part !== null && $part !== '');

        return new Entry(
            uid: $meeting->uid,
            sequence: $sequence,
            start: $start,
            end: $end,
            summary: self::plain($summary),
            description: $isCancel || $meeting->description === '' ? null : self::plain($meeting->description),
            location: $isCancel || $places === [] ? null : self::plain(implode(', ', $places)),
            status: $status,
            isTransparent: $meeting->isTransparent,
            class: $meeting->class,
            url: $link,
            stamp: $now->seconds,
            organizer: self::person($meeting->organizerAddress, $meeting->organizerName),
            sentBy: $meeting->sentBy,
            attendees: $attendees,
            rule: $times?->rule,
            extra: $times->extra ?? [],
            dropped: $times->dropped ?? [],
            recurrenceId: $recurrenceId,
            conference: $link,
            alarmMinutes: $isCancel ? null : $meeting->reminderMinutes,
            comment: self::plain($meeting->comment),
            categories: $isCancel ? [] : $meeting->categories,
            relatedTo: $meeting->relatedTo,
        );
    }

    /**
     * @param  ?string  $key  of the one who sees nobody but themselves; null: everybody is seen
     * @param  list<Invitee>  $invitees
     * @return list<Invitee>
     */
    private static function seenBy(?string $key, array $invitees): array
    {
        return $key === null ? $invitees : array_values(array_filter($invitees, static fn(Invitee $i): bool => $i->key === $key));
    }

    /**
     * @param  list<Invitee>  $invitees
     * @return list<CalendarAttendee>
     */
    private static function attendees(array $invitees, bool $isAsked): array
    {
        return array_map(static fn(Invitee $i): CalendarAttendee => new CalendarAttendee(self::person($i->email, $i->name), $i->role, $i->partstat, rsvp: $isAsked && $i->partstat === 'NEEDS-ACTION'), $invitees);
    }

    private static function person(string $address, ?string $name): CalendarPerson
    {
        return new CalendarPerson(str_replace(["\r", "\n"], '', (string) self::plain($address)), $name === '' ? null : self::plain($name));
    }

    /** One odd sign in one name must not keep everybody's invitation back. */
    private static function plain(?string $text): ?string
    {
        return $text === null ? null : preg_replace('/[\x00-\x08\x0B\x0C\x0E-\x1F\x7F]|\r(?!\n)/', '', $text);
    }

    /**
     * @param  list<WallTime>  $walls
     * @param  list<WallTime>  $others
     * @return list<WallTime> in order
     */
    private static function together(array $walls, array $others): array
    {
        $all = [];
        foreach ([...$walls, ...$others] as $wall) {
            $all[$wall->seconds] = $wall;
        }
        ksort($all);

        return array_values($all);
    }
}
