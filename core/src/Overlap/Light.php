<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

/** How a stretch of the meeting falls into one person's day. */
enum Light: string
{
    case InHours = 'in_hours';
    /** Before the day's first hours, within two hours of them. */
    case BeforeHours = 'before_hours';
    /** After the day's last hours, within two hours of them. */
    case AfterHours = 'after_hours';
    /** In a break between two stretches of one day. */
    case BetweenHours = 'between_hours';
    /** On a day without hours, at a time when others of the person's days have some. */
    case DayOff = 'day_off';
    case Night = 'night';
    case Unknown = 'unknown';
}
