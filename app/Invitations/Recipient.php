<?php

declare(strict_types=1);

namespace App\Invitations;

use App\People\Person;
use App\Planning\Attendee;
use App\Planning\Meeting;
use Syndex\Core\Invitations\Message;

/** Finds the person that a message of the core is for. */
final class Recipient
{
    public static function of(Meeting $meeting, Message $message): Person
    {
        return $meeting->attendees->firstOrFail(static fn(Attendee $a): bool => $a->person->email === $message->to)->person;
    }
}
