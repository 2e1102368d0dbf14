<?php

declare(strict_types=1);

namespace App\Invitations;

use App\People\Person;
use App\Planning\Attendee;
use App\Planning\DateAttendee;
use App\Planning\Meeting;
use App\Planning\OwnDate;

/** What somebody will get when a meeting is sent; whoever is asked to single dates only, what they get of the first of them. */
final readonly class FirstLetter
{
    public function __construct(private FreezeMeeting $freeze, private WriteLetter $letters) {}

    /** @return ?Letter null for whoever is not asked */
    public function to(Person $person, Meeting $meeting, ?string $words): ?Letter
    {
        $told = $this->freeze->asItStands($meeting)->withWords($words);
        if ($meeting->attendees->contains(static fn(Attendee $a): bool => $a->person_id === $person->id)) {
            return $this->letters->invitation($told, $person);
        }
        $date = $meeting->dates->first(static fn(OwnDate $d): bool => $d->attendees->contains(static fn(DateAttendee $a): bool => $a->person_id === $person->id));

        return $date === null ? null : $this->letters->invitation($told, $person, $date->date()->format());
    }
}
