<?php

declare(strict_types=1);

namespace Syndex\Core\ICalendar;

/** ROLE of RFC 5545 3.2.16. */
enum AttendeeRole: string
{
    case Chair = 'CHAIR';
    case Required = 'REQ-PARTICIPANT';
    case Optional = 'OPT-PARTICIPANT';
    case None = 'NON-PARTICIPANT';
}
