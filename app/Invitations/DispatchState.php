<?php

declare(strict_types=1);

namespace App\Invitations;

enum DispatchState: string
{
    case Waiting = 'waiting';
    case Sending = 'sending';
    case Sent = 'sent';
    /** The address was refused for good. */
    case Refused = 'refused';
    /** Tried often enough, without an answer that settles it. */
    case GivenUp = 'given_up';
    /** A newer one to the same person about the same meeting took its place before it left. */
    case Replaced = 'replaced';
    /** The coordinator chose not to tell this person: their next message starts from what they know. */
    case LeftOut = 'left_out';
    /** Taken back before it left. */
    case TakenBack = 'taken_back';

    public function isOpen(): bool
    {
        return $this === self::Waiting || $this === self::Sending;
    }
}
