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
    case AccountLink = 'account_link';

    public static function of(Message $message): self
    {
        return match (true) {
            $message->method === Method::Cancel => self::CallingOff,
            $message->changes === [Change::New] => self::Invitation,
            default => self::Change,
        };
    }
}
