<?php

declare(strict_types=1);

namespace Syndex\Core\Invitations;

use Syndex\Core\ICalendar\CalendarAttendee;
use Syndex\Core\ICalendar\CalendarEvent;
use Syndex\Core\ICalendar\CalendarPerson;
use Syndex\Core\ICalendar\CalendarWriter;
use Syndex\Core\ICalendar\EventStatus;
use Syndex\Core\Recurrence\PlainDates;
use Syndex\Core\Time\Instant;

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
        return CalendarWriter::write(Method::Cancel->value, [self::event($meeting, $now, $sequence, EventStatus::Cancelled)]);
    }

    public static function request(MeetingSnapshot $meeting, Instant $now): string
    {
        return CalendarWriter::write(Method::Request->value, [self::event($meeting, $now, $meeting->sequence, EventStatus::Confirmed)]);
    }

    /** A plain file for whoever keeps a calendar by hand: no METHOD, nobody is asked for an answer. */
    public static function file(MeetingSnapshot $meeting, Instant $now): string
    {
        return CalendarWriter::write(null, [self::event($meeting, $now, $meeting->sequence, EventStatus::Confirmed)]);
    }

    private static function event(MeetingSnapshot $meeting, Instant $now, int $sequence, EventStatus $status): CalendarEvent
    {
        $off = $status === EventStatus::Cancelled;

        return new CalendarEvent(
            uid: $meeting->uid,
            sequence: $sequence,
            stamp: $now,
            series: PlainDates::needed($meeting->series) ? PlainDates::of($meeting->series) : $meeting->series,
            durationMinutes: $meeting->durationMinutes,
            summary: $meeting->summary,
            description: $off || $meeting->description === '' ? null : $meeting->description,
            location: $off ? null : $meeting->location(),
            url: $off ? null : $meeting->joinLink,
            conference: $off ? null : $meeting->joinLink,
            conferenceLabel: null,
            organizer: new CalendarPerson($meeting->organizerAddress, $meeting->organizerName),
            sentBy: $meeting->sentBy,
            attendees: array_map(static fn(Invitee $i): CalendarAttendee => new CalendarAttendee(new CalendarPerson($i->email, $i->name), $i->role, rsvp: !$off), $meeting->invitees),
            status: $status,
            alarmMinutes: $off || $meeting->series->allDay ? null : $meeting->reminderMinutes,
        );
    }
}
