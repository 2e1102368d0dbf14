<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

/** What becomes of somebody, and why. */
final readonly class EntryAnswer
{
    public function __construct(public string $id, public EntryOutcome $outcome, public EntryReason $reason) {}
}
