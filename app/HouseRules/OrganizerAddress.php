<?php

declare(strict_types=1);

namespace App\HouseRules;

enum OrganizerAddress: string
{
    /** The meeting's own address on Syndex's domain, so that answers come back. */
    case Meeting = 'meeting';
    /** The host's address; the coordinator is then named as who acts for them. */
    case Host = 'host';
}
