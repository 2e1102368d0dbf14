<?php

declare(strict_types=1);

namespace Syndex\Core\ICalendar;

/** The forms in which a calendar file gives times (RFC 5545 3.3.4, 3.3.5), and one for zones that only the file knows. */
enum TimeForm
{
    case Date;
    case Floating;
    case Utc;
    case Zoned;
    /** A moment with an offset, in no zone that has a name. */
    case Offset;
}
