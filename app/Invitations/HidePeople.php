<?php

declare(strict_types=1);

namespace App\Invitations;

use App\People\PersonKind;
use App\Planning\Attendee;
use App\Planning\DateAttendee;
use App\Planning\Meeting;

/**
 * Whether the people of a meeting are hidden from each other: as its coordinator chose, else where outside guests are among them,
 * and always where they are many.
 */
final class HidePeople
{
    /** More are never named to each other. */
    public const MANY = 100;

    public static function from(Meeting $meeting): bool
    {
        if (count($meeting->everybody()) > self::MANY) {
            return true;
        }

        return $meeting->hides_people ?? array_filter($meeting->everybody(), static fn(Attendee|DateAttendee $a): bool => $a->person->kind === PersonKind::Guest) !== [];
    }
}
