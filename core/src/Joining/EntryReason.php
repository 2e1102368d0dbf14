<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

/** Why an {@see EntryOutcome} and no other. */
enum EntryReason: string
{
    case PasscodeWrong = 'passcode_wrong';
    case PasscodeMissing = 'passcode_missing';
    case TooEarly = 'too_early';
    case Host = 'host';
    case Country = 'country';
    case SignIn = 'sign_in';
    case NotInvited = 'not_invited';
    case Locked = 'locked';
    case Full = 'full';
    case NoHost = 'no_host';
    case Lobby = 'lobby';
    case Open = 'open';
}
