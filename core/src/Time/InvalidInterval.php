<?php

declare(strict_types=1);

namespace Syndex\Core\Time;

use Syndex\Core\CoreException;

final class InvalidInterval extends \DomainException implements CoreException
{
    private function __construct(string $message, public readonly int $start, public readonly int $end)
    {
        parent::__construct($message);
    }

    public static function endNotAfterStart(int $start, int $end): self
    {
        return new self(sprintf('expected an end after the start, got %s to %s', gmdate('c', $start), gmdate('c', $end)), $start, $end);
    }
}
