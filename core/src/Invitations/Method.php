<?php

declare(strict_types=1);

namespace Syndex\Core\Invitations;

/** The iTIP methods that Syndex sends (RFC 5546 1.4). */
enum Method: string
{
    case Request = 'REQUEST';
    case Cancel = 'CANCEL';
}
