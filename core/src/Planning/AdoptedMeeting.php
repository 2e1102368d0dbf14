<?php

declare(strict_types=1);

namespace Syndex\Core\Planning;

use Syndex\Core\ICalendar\CalendarPerson;
use Syndex\Core\Recurrence\MovedDates;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Time\Zone;

/** A foreign event in the form in which a meeting is planned here, and what did not come over as it was. */
final readonly class AdoptedMeeting
{
    /**
     * @param  Zone  $anchor  whose clock counts; for whole days, whose calendar
     * @param  list<array{person: CalendarPerson, isRequired: bool}>  $people  each address once, the organizer first
     * @param  list<array{code: string, with: array<string, string>}>  $notes  what was changed or left out
     * @param  MovedDates  $moved  which of the series' added dates stand in for which of its dropped ones
     * @param  list<AdoptedDate>  $dates  those that have something of their own
     */
    public function __construct(
        public string $title,
        public string $purpose,
        public string $place,
        public ?string $url,
        public Series $series,
        public Zone $anchor,
        public int $durationMinutes,
        public ?string $organizer,
        public array $people,
        public array $notes,
        public MovedDates $moved,
        public array $dates,
    ) {}
}
