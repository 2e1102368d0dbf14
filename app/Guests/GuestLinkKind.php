<?php

declare(strict_types=1);

namespace App\Guests;

/** What a guest's link opens. */
enum GuestLinkKind: string
{
    case TimeOffer = 'time_offer';
}
