<?php

declare(strict_types=1);

namespace App\People;

/** A feed could not be read, and why, as a code that has words. What was read before stays. */
final class FeedFailed extends \RuntimeException
{
    private function __construct(public readonly string $why)
    {
        parent::__construct($why);
    }

    /** @param 'no_address'|'own_network'|'no_such_host'|'away'|'slow'|'cut_off'|'too_large'|'refused'|'gone'|'broken_server'|'redirects'|'no_calendar'|'incomplete'|'too_much' $why */
    public static function because(string $why): self
    {
        return new self($why);
    }
}
