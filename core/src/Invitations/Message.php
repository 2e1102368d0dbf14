<?php

declare(strict_types=1);

namespace Syndex\Core\Invitations;

/** One iTIP message to one recipient. */
final readonly class Message
{
    public function __construct(public string $to, public Method $method, public int $sequence, public string $ics) {}
}
