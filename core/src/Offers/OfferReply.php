<?php

declare(strict_types=1);

namespace Syndex\Core\Offers;

/** What somebody says to an offered time, in the words of PARTSTAT (RFC 5545 3.2.12). */
enum OfferReply: string
{
    case Accepted = 'accepted';
    case Tentative = 'tentative';
    case Declined = 'declined';
}
