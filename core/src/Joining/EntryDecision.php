<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

/** The answer to an arrival, and what it changes for those who wait. */
final readonly class EntryDecision
{
    /** @param ?list<EntryAnswer> $then of those who waited for a host, when the first one comes in; null: this was no such moment */
    public function __construct(public EntryAnswer $answer, public ?array $then = null) {}
}
