<?php

declare(strict_types=1);

namespace App\Invitations;

use Syndex\Core\Invitations\Change;
use Syndex\Core\Invitations\Message;
use Syndex\Core\Invitations\Method;

enum DispatchKind: string
{
    case Invitation = 'invitation';
    case Change = 'change';
    case CallingOff = 'calling_off';
    /** The present state, to somebody whose calendar asked for it. */
    case Refresh = 'refresh';
    case AccountLink = 'account_link';
    /** Times to choose among, with a link of the recipient's own. */
    case TimeOffer = 'time_offer';

    public static function of(Message $message): self
    {
        return match (true) {
            $message->method === Method::Cancel => self::CallingOff,
            $message->changes === [Change::New] => self::Invitation,
            default => self::Change,
        };
    }
}
