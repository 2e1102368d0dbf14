<?php

declare(strict_types=1);

namespace Syndex\Core;

final class TooMuchWork extends \RuntimeException implements CoreException
{
    private function __construct(string $message, public readonly int $bound)
    {
        parent::__construct($message);
    }

    public static function held(int $octets): self
    {
        return new self(sprintf('expected a question whose parts take at most %d MB of memory, this one has more: ask for fewer at once', intdiv($octets, 1_000_000)), $octets);
    }

    public static function past(int $bound): self
    {
        return new self(sprintf('expected a question of at most %d steps, this one takes more: ask for a narrower window', $bound), $bound);
    }
}
