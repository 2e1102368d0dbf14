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
    /** @return list<Message> a REQUEST to each invitee; the organizer's own address gets none */
    public static function sent(MeetingSnapshot $meeting, Instant $now): array
    {
        return self::toEach($meeting, Method::Request, $meeting->sequence, self::request($meeting, $now));
    }

    /**
     * @return list<Message> a CANCEL to each who was invited, one SEQUENCE higher (RFC 5546 2.1.4)
     */
    public static function calledOff(MeetingSnapshot $meeting, Instant $now): array
    {
        $sequence = $meeting->sequence + 1;
        $ics = CalendarWriter::write(Method::Cancel->value, [self::event($meeting, $now, $sequence, EventStatus::Cancelled)]);

        return self::toEach($meeting, Method::Cancel, $sequence, $ics);
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

    /** @return list<Message> sorted by recipient */
    private static function toEach(MeetingSnapshot $meeting, Method $method, int $sequence, string $ics): array
    {
        $addresses = array_values(array_unique(array_map(static fn(Invitee $i): string => $i->email, $meeting->invitees)));
        sort($addresses, SORT_STRING);
        $messages = [];
        foreach ($addresses as $address) {
            if (strcasecmp($address, $meeting->organizerAddress) !== 0) {
                $messages[] = new Message($address, $method, $sequence, $ics);
            }
        }

        return $messages;
    }
}
