<?php

declare(strict_types=1);

namespace App\Invitations;

enum DispatchKind: string
{
    case Invitation = 'invitation';
    case CallingOff = 'calling_off';
    case AccountLink = 'account_link';
}
