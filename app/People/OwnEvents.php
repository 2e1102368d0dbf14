<?php

declare(strict_types=1);

namespace App\People;

/** Tells the events that come from here: people have our own invitations in their calendars, and are not busy with them twice. */
interface OwnEvents
{
    /**
     * @param list<string> $uids
     * @return list<string> those that are meetings of this house
     */
    public function among(array $uids): array;
}
