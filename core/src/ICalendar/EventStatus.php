<?php

declare(strict_types=1);

namespace Syndex\Core\ICalendar;

/** STATUS of an event (RFC 5545 3.8.1.11). */
enum EventStatus: string
{
    case Confirmed = 'CONFIRMED';
    case Tentative = 'TENTATIVE';
    case Cancelled = 'CANCELLED';
}
