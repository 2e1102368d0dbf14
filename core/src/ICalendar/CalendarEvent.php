<?php

declare(strict_types=1);

namespace Syndex\Core\ICalendar;

use Syndex\Core\Recurrence\Series;
use Syndex\Core\Time\Instant;

/** One VEVENT as Syndex writes it. */
final readonly class CalendarEvent
{
    /**
     * @param  int  $durationMinutes  of an all-day event a multiple of 1440
     * @param  ?string  $conference  URI by which one joins (RFC 7986 5.11)
     * @param  list<CalendarAttendee>  $attendees
     * @param  ?int  $alarmMinutes  a reminder so long before the start
     */
    public function __construct(
        public string $uid,
        public int $sequence,
        public Instant $stamp,
        public Series $series,
        public int $durationMinutes,
        public ?string $summary,
        public ?string $description,
        public ?string $location,
        public ?string $url,
        public ?string $conference,
        public ?string $conferenceLabel,
        public CalendarPerson $organizer,
        public ?string $sentBy,
        public array $attendees,
        public ?EventStatus $status,
        public ?int $alarmMinutes = null,
    ) {}
}
