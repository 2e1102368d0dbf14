<?php

declare(strict_types=1);

namespace Syndex\Core;

final class TooMuchWork extends \RuntimeException implements CoreException
{
    private function __construct(string $message, public readonly int $bound)
    {
        parent::__construct($message);
    }

    public static function past(int $bound): self
    {
        return new self(sprintf('expected a question of at most %d steps, this one takes more: ask for a narrower window', $bound), $bound);
    }
}
