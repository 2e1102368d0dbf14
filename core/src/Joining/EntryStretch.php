<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

/** What becomes of whoever comes within some minutes. */
final readonly class EntryStretch
{
    /**
     * @param  int  $from  minutes from the start, negative ahead of it
     * @param  int  $until  the first minute that is no more of it
     */
    public function __construct(public int $from, public int $until, public EntryOutcome $outcome, public EntryReason $reason) {}
}
