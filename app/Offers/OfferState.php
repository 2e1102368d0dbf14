<?php

declare(strict_types=1);

namespace App\Offers;

enum OfferState: string
{
    case Open = 'open';
    /** One of its times was taken. */
    case Taken = 'taken';
    case CalledOff = 'called_off';

    /** While the meeting is being planned. */
    public const UNENDED = [self::Open, self::Taken];
}
