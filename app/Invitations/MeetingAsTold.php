<?php

declare(strict_types=1);

namespace App\Invitations;

use App\HouseRules\OrganizerAddress;
use App\People\Person;
use App\Planning\Meeting;

/** A meeting with all that its mails say of it, at one moment: as it stands, or as it stood when people were told. */
final readonly class MeetingAsTold
{
    /** So many characters of a coordinator's own words go with a sending. */
    public const MOST_WORDS = 1000;

    /**
     * @param  Meeting  $meeting  with its agenda, attendees and their people, kit, host and coordinator
     * @param  ?string  $words  the coordinator's own, with this sending
     */
    public function __construct(public Meeting $meeting, public string $organisation, public OrganizerAddress $organizer, public ?string $words = null) {}

    public function withWords(?string $words): self
    {
        return new self($this->meeting, $this->organisation, $this->organizer, $words === '' ? null : $words);
    }

    public function host(): Person
    {
        return $this->meeting->host ?? $this->meeting->coordinator->person;
    }
}
