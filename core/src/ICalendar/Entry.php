<?php

declare(strict_types=1);

namespace Syndex\Core\ICalendar;

/** A VEVENT as any calendar file may hold it: what was read, or what is to be written. */
final readonly class Entry
{
    /**
     * @param  ?CalendarTime  $end  exclusive
     * @param  string  $class  public, private or confidential
     * @param  ?int  $stamp  moment
     * @param  list<CalendarAttendee>  $attendees
     * @param  ?string  $rule  text of an RRULE in capitals
     * @param  list<CalendarTime>  $extra  RDATE
     * @param  list<CalendarTime>  $dropped  EXDATE
     * @param  ?string  $conference  URI by which one joins (RFC 7986 5.11)
     * @param  ?int  $alarmMinutes  a reminder so long before the start
     * @param  list<string>  $categories
     * @param  ?string  $relatedTo  UID of a series beside this one (RELTYPE=SIBLING of RFC 5545 3.2.15)
     */
    public function __construct(
        public ?string $uid,
        public int $sequence,
        public ?CalendarTime $start,
        public ?CalendarTime $end,
        public ?string $summary = null,
        public ?string $description = null,
        public ?string $location = null,
        public ?EventStatus $status = null,
        public bool $isTransparent = false,
        public string $class = 'public',
        public ?string $url = null,
        public ?int $stamp = null,
        public ?CalendarPerson $organizer = null,
        public ?string $sentBy = null,
        public array $attendees = [],
        public ?string $rule = null,
        public array $extra = [],
        public array $dropped = [],
        public ?CalendarTime $recurrenceId = null,
        public bool $thisAndFuture = false,
        public ?string $conference = null,
        public ?int $alarmMinutes = null,
        public ?string $comment = null,
        public array $categories = [],
        public ?string $relatedTo = null,
    ) {}

    /** The IANA zone of its times; null for dates, floating times and bare offsets. */
    public function zoneId(): ?string
    {
        return match ($this->start?->form) {
            TimeForm::Utc => 'UTC',
            TimeForm::Zoned => $this->start->zone?->id,
            default => null,
        };
    }

    public function isAllDay(): bool
    {
        return $this->start?->form === TimeForm::Date;
    }

    public function isSeries(): bool
    {
        return $this->rule !== null || $this->extra !== [];
    }

    /** @param list<CalendarTime> $dropped */
    public function withTimes(?CalendarTime $start, ?CalendarTime $end, ?CalendarTime $recurrenceId, array $dropped): self
    {
        return new self(
            $this->uid,
            $this->sequence,
            $start,
            $end,
            $this->summary,
            $this->description,
            $this->location,
            $this->status,
            $this->isTransparent,
            $this->class,
            $this->url,
            $this->stamp,
            $this->organizer,
            $this->sentBy,
            $this->attendees,
            $this->rule,
            $this->extra,
            $dropped,
            $recurrenceId,
            $this->thisAndFuture,
            $this->conference,
            $this->alarmMinutes,
            $this->comment,
            $this->categories,
            $this->relatedTo,
        );
    }

    /** @return list<CalendarTime> every time by which its zone must be known */
    public function times(): array
    {
        return array_values(array_filter([$this->start, $this->end, $this->recurrenceId, ...$this->extra, ...$this->dropped]));
    }
}
