<?php

declare(strict_types=1);

namespace Syndex\Core\ICalendar;

/** A calendar user address with the name that is shown for it (RFC 5545 3.3.3, CN of 3.2.2). */
final readonly class CalendarPerson
{
    public function __construct(public string $email, public ?string $name) {}

    public function uri(): string
    {
        return 'mailto:' . $this->email;
    }
}
