<?php

declare(strict_types=1);

namespace App\People;

/** Knows whom somebody plans for: those are meant most often. */
interface RecentlyMet
{
    /** @return list<string> people of their last meetings, the latest first */
    public function of(Account $account): array;
}
