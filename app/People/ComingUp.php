<?php

declare(strict_types=1);

namespace App\People;

/** Knows what lies ahead of whoever is signed in, for the top of every page. */
interface ComingUp
{
    /** @return ?array{id: string, title: string, startsAt: string} the next date of the coming day */
    public function next(Account $account): ?array;
}
