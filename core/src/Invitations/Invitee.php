<?php

declare(strict_types=1);

namespace Syndex\Core\Invitations;

use Syndex\Core\ICalendar\AttendeeRole;

/** Somebody whom a meeting asks to come. */
final readonly class Invitee
{
    /** The form of the address in which people are told apart. */
    public string $key;

    /** @param string $partstat PARTSTAT of RFC 5545 3.2.12, in capitals */
    public function __construct(public string $email, public ?string $name, public AttendeeRole $role, public string $partstat = 'NEEDS-ACTION')
    {
        $this->key = MailAddress::key($email);
    }
}
