<?php

declare(strict_types=1);

namespace App\Invitations;

use App\HouseRules\OrganizerAddress;
use App\People\Person;
use App\Planning\Meeting;

/** A meeting with all that its mails say of it, at one moment: as it stands, or as it stood when people were told. */
final readonly class MeetingAsTold
{
    /** @param Meeting $meeting with its agenda, attendees and their people, kit, host and coordinator */
    public function __construct(public Meeting $meeting, public string $organisation, public OrganizerAddress $organizer) {}

    public function host(): Person
    {
        return $this->meeting->host ?? $this->meeting->coordinator->person;
    }
}
