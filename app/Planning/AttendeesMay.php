<?php

declare(strict_types=1);

namespace App\Planning;

/** Who of a meeting's attendees may do something to it that else only those do who plan. */
enum AttendeesMay: string
{
    case Nobody = 'nobody';
    /** The host, co-hosts, and who stands in for the host. */
    case Hosts = 'hosts';
    case Everyone = 'everyone';
}
