<?php

declare(strict_types=1);

namespace Syndex\Core\Invitations;

use Syndex\Core\ICalendar\CalendarAttendee;
use Syndex\Core\ICalendar\CalendarPerson;
use Syndex\Core\ICalendar\Entry;
use Syndex\Core\ICalendar\EntryWriter;
use Syndex\Core\ICalendar\EventStatus;
use Syndex\Core\ICalendar\SeriesTimes;
use Syndex\Core\Recurrence\PlainDates;
use Syndex\Core\Time\Instant;
use Syndex\Core\Work;

/**
 * Says who must be told what, when a meeting is sent or called off (RFC 5546 3.2.2 and 3.2.5).
 *
 * A rule that not every calendar understands goes out as plain dates; {@see PlainDates} says when they are too many.
 */
final class Announce
{
    /**
     * Who is told when a meeting is sent or called off.
     *
     * @return list<string> addresses, each once, sorted; the organizer's own gets nothing
     */
    public static function recipients(MeetingSnapshot $meeting): array
    {
        $addresses = array_values(array_unique(array_map(static fn(Invitee $i): string => $i->email, $meeting->invitees)));
        sort($addresses, SORT_STRING);

        return array_values(array_filter($addresses, static fn(string $address): bool => MailAddress::key($address) !== MailAddress::key($meeting->organizerAddress)));
    }

    /** @param int $sequence one higher than was last sent (RFC 5546 2.1.4) */
    public static function cancel(MeetingSnapshot $meeting, int $sequence, Instant $now): string
    {
        return EntryWriter::write(Method::Cancel->value, [self::entry($meeting, $now, $sequence, EventStatus::Cancelled)], $now->seconds, Work::usual());
    }

    public static function request(MeetingSnapshot $meeting, Instant $now): string
    {
        return EntryWriter::write(Method::Request->value, [self::entry($meeting, $now, $meeting->sequence, EventStatus::Confirmed)], $now->seconds, Work::usual());
    }

    /** A plain file for whoever keeps a calendar by hand: no METHOD, nobody is asked for an answer. */
    public static function file(MeetingSnapshot $meeting, Instant $now): string
    {
        return EntryWriter::write(null, [self::entry($meeting, $now, $meeting->sequence, EventStatus::Confirmed)], $now->seconds, Work::usual());
    }

    private static function entry(MeetingSnapshot $meeting, Instant $now, int $sequence, EventStatus $status): Entry
    {
        $off = $status === EventStatus::Cancelled;
        $times = SeriesTimes::of(PlainDates::needed($meeting->series) ? PlainDates::of($meeting->series) : $meeting->series, $meeting->durationMinutes);

        return new Entry(
            uid: $meeting->uid,
            sequence: $sequence,
            start: $times->start,
            end: $times->end,
            rule: $times->rule,
            extra: $times->extra,
            dropped: $times->dropped,
            stamp: $now->seconds,
            summary: self::plain($meeting->summary),
            description: $off || $meeting->description === '' ? null : self::plain($meeting->description),
            location: $off ? null : self::plain($meeting->location()),
            url: $off ? null : $meeting->joinLink,
            conference: $off ? null : $meeting->joinLink,
            organizer: self::person($meeting->organizerAddress, $meeting->organizerName),
            sentBy: $meeting->sentBy,
            attendees: array_map(static fn(Invitee $i): CalendarAttendee => new CalendarAttendee(self::person($i->email, $i->name), $i->role, rsvp: !$off), $meeting->invitees),
            status: $status,
            alarmMinutes: $off || $meeting->series->allDay ? null : $meeting->reminderMinutes,
        );
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
}
