<?php

declare(strict_types=1);

namespace Syndex\Core\Invitations;

/** One iTIP message to one recipient. */
final readonly class Message
{
    /**
     * @param  ?string  $recurrenceId  wall time or date of the one date it is about; null for the whole set
     * @param  list<Change>  $changes  what it tells, in the order of their cases
     */
    public function __construct(
        public string $to,
        public Method $method,
        public int $sequence,
        public ?string $recurrenceId,
        public array $changes,
        public string $ics,
    ) {}
}
