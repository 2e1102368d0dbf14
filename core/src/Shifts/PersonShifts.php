<?php

declare(strict_types=1);

namespace Syndex\Core\Shifts;

/** How the dates of a series fall into one person's days. */
final readonly class PersonShifts
{
    /**
     * @param list<ClockChange> $changes
     * @param list<int> $outside indices of the dates of which any part lies outside the person's hours
     */
    public function __construct(public PersonClock $person, public array $changes, public array $outside) {}
}
