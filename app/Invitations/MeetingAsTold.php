<?php

declare(strict_types=1);

namespace App\Invitations;

use App\HouseRules\OrganizerAddress;
use App\People\Person;
use App\Planning\Meeting;
use Syndex\Core\Joining\RoomRules;
use Syndex\Core\Time\WallTime;

/** A meeting with all that its mails say of it, at one moment: as it stands, or as it stood when people were told. */
final readonly class MeetingAsTold
{
    /** So many characters of a coordinator's own words go with a sending. */
    public const MOST_WORDS = 1000;

    /**
     * @param  Meeting  $meeting  with its agenda, attendees and their people, kit, host and coordinator
     * @param  ?string  $words  the coordinator's own, with this sending
     * @param  ?WallTime  $cutFrom  of a series that was cut: the first date that is no longer of it
     * @param  ?RoomRules  $room  under which people come in; null: nobody wrote them down then
     */
    public function __construct(public Meeting $meeting, public string $organisation, public OrganizerAddress $organizer, public ?string $words = null, public ?WallTime $cutFrom = null, public ?RoomRules $room = null) {}

    public function withWords(?string $words): self
    {
        return new self($this->meeting, $this->organisation, $this->organizer, $words === '' ? null : $words, $this->cutFrom, $this->room);
    }

    public function cutFrom(?WallTime $from): self
    {
        return new self($this->meeting, $this->organisation, $this->organizer, $this->words, $from, $this->room);
    }

    /** The UID of the series of which this was the later part (RFC 5545 3.8.4.5). */
    public function relatedTo(): ?string
    {
        return $this->meeting->split_from_uid;
    }

    public function host(): Person
    {
        return $this->meeting->host ?? $this->meeting->coordinator->person;
    }
}
