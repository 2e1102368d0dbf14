<?php

declare(strict_types=1);

namespace Syndex\Core\Sentence;

use Syndex\Core\CoreException;

final class TooOdd extends \DomainException implements CoreException
{
    /** @param list<string> $parts */
    private function __construct(string $message, public readonly array $parts)
    {
        parent::__construct($message);
    }

    /** @param list<string> $parts */
    public static function parts(array $parts): self
    {
        return new self('expected a rule that a sentence has words for, got ' . implode(', ', $parts), $parts);
    }
}
