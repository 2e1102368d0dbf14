<?php

declare(strict_types=1);

namespace Syndex\Core\Invitations;

use Syndex\Core\ICalendar\AttendeeRole;

/** Somebody whom a meeting asks to come. */
final readonly class Invitee
{
    public function __construct(public string $email, public ?string $name, public AttendeeRole $role) {}
}
