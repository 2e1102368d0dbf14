<?php

declare(strict_types=1);

namespace Syndex\Core\Invitations;

use Syndex\Core\Recurrence\Series;
use Syndex\Core\Time\WallTime;

/** A meeting at one moment, with all that an invitation says of it. */
final readonly class MeetingSnapshot
{
    /** @var array<int, MeetingDate> dates that differ from the series, by the wall time in seconds that the series names */
    public array $exceptions;

    /** @var array<string, Invitee> */
    private array $byKey;

    /**
     * @param  int  $sequence  as last sent; 0 when nothing was
     * @param  ?string  $location  a room or an address
     * @param  ?string  $url  by which one joins
     * @param  ?string  $sentBy  who acts for the organizer (RFC 5545 3.2.18)
     * @param  list<Invitee>  $invitees
     * @param  list<MeetingDate>  $dates  dates with something of their own
     * @param  ?string  $relatedTo  UID of the series from which it was split (RFC 5545 3.8.4.5)
     * @param  list<string>  $categories
     * @param  bool  $hidesPeople  each is named to themselves alone
     * @param  bool  $showsLinkAsPlace  the link stands in LOCATION too, where most calendars look for it (common practice, no published source)
     */
    public function __construct(
        public string $uid,
        public int $sequence,
        public string $summary,
        public ?string $description,
        public ?string $location,
        public ?string $url,
        public string $organizerAddress,
        public ?string $organizerName,
        public ?string $sentBy,
        public Series $series,
        public int $durationMinutes,
        public array $invitees,
        public ?int $reminderMinutes = null,
        array $dates = [],
        public bool $isCalledOff = false,
        public ?string $comment = null,
        public string $class = 'public',
        public array $categories = [],
        public bool $isTransparent = false,
        public ?string $relatedTo = null,
        public bool $showsLinkAsPlace = false,
        public bool $hidesPeople = false,
    ) {
        $this->byKey = array_combine(array_column($invitees, 'key'), $invitees);
        $exceptions = [];
        foreach ($dates as $date) {
            if (!$date->isAsSeries($this)) {
                $exceptions[$date->recurrenceId->seconds] = $date;
            }
        }
        ksort($exceptions);
        $this->exceptions = $exceptions;
    }

    public function isSeries(): bool
    {
        return $this->series->isRepeated();
    }

    /** A date of the series as it is when nothing is said of it. */
    public function plainDate(WallTime $recurrenceId): MeetingDate
    {
        return new MeetingDate($recurrenceId, $recurrenceId, $this->durationMinutes, $this->summary, $this->location, $this->invitees);
    }

    public function on(WallTime $recurrenceId): MeetingDate
    {
        return $this->exceptions[$recurrenceId->seconds] ?? $this->plainDate($recurrenceId);
    }

    public function isException(WallTime $recurrenceId): bool
    {
        return isset($this->exceptions[$recurrenceId->seconds]);
    }

    public function invitee(string $key): ?Invitee
    {
        return $this->byKey[$key] ?? null;
    }

    /** A single meeting whose one date has something of its own: the meeting itself has it then. */
    public function folded(): self
    {
        $own = $this->isSeries() ? null : ($this->exceptions[$this->series->start->seconds] ?? null);
        if ($own === null) {
            return $this;
        }

        return new self(
            $this->uid,
            $this->sequence,
            $own->summary,
            $this->description,
            $own->location,
            $this->url,
            $this->organizerAddress,
            $this->organizerName,
            $this->sentBy,
            $this->series->withStart($own->start),
            $own->durationMinutes,
            $own->invitees,
            $this->reminderMinutes,
            [],
            $this->isCalledOff,
            $this->comment,
            $this->class,
            $this->categories,
            $this->isTransparent,
            $this->relatedTo,
            $this->showsLinkAsPlace,
            $this->hidesPeople,
        );
    }
}
