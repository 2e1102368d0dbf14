<?php

declare(strict_types=1);

namespace Syndex\Core\ICalendar;

/** ATTENDEE of RFC 5545 3.8.4.1. */
final readonly class CalendarAttendee
{
    public function __construct(public CalendarPerson $person, public AttendeeRole $role, public string $partstat = 'NEEDS-ACTION', public bool $rsvp = true) {}
}
