<?php

declare(strict_types=1);

namespace Syndex\Core\Offers;

/** Whom times were offered to, and what they said to each. */
final readonly class AskedPerson
{
    /** @param array<int, OfferReply> $replies by time; none for a time to which nothing was said */
    public function __construct(public string $id, public bool $required, public array $replies) {}
}
