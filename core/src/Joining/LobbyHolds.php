<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

/** Whom the lobby holds until somebody lets them in. */
enum LobbyHolds: string
{
    case Everyone = 'everyone';
    case Guests = 'guests';
    case NotSignedIn = 'not_signed_in';
}
