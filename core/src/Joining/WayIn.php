<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

/** By what somebody comes: the link, the meeting number typed in, or a telephone. */
enum WayIn: string
{
    case Link = 'link';
    case Number = 'number';
    case Phone = 'phone';
}
