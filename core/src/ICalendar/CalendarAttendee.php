<?php

declare(strict_types=1);

namespace Syndex\Core\ICalendar;

/** ATTENDEE of RFC 5545 3.8.4.1. */
final readonly class CalendarAttendee
{
    /** PARTSTAT of an event (RFC 5545 3.2.12). */
    public const PARTSTATS = ['NEEDS-ACTION', 'ACCEPTED', 'DECLINED', 'TENTATIVE', 'DELEGATED'];

    /**
     * @param  list<string>  $delegatedTo  addresses (RFC 5545 3.2.5)
     * @param  list<string>  $delegatedFrom  addresses (3.2.4)
     * @param  ?string  $sentBy  address (3.2.18)
     */
    public function __construct(public CalendarPerson $person, public AttendeeRole $role, public string $partstat = 'NEEDS-ACTION', public bool $rsvp = true, public array $delegatedTo = [], public array $delegatedFrom = [], public ?string $sentBy = null) {}
}
