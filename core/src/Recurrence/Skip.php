<?php

declare(strict_types=1);

namespace Syndex\Core\Recurrence;

/** What becomes of a day that a month or year lacks (RFC 7529 4.1). */
enum Skip: string
{
    /** It is left out. */
    case Omit = 'OMIT';
    /** The last day before it. */
    case Backward = 'BACKWARD';
    /** The first day after it. */
    case Forward = 'FORWARD';
}
