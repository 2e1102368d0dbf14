<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

/** What somebody gave where a passcode is asked for; of a caller it is the PIN. */
enum PasscodeGiven: string
{
    case Right = 'right';
    case Wrong = 'wrong';
    case None = 'none';
}
