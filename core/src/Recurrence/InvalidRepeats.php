<?php

declare(strict_types=1);

namespace Syndex\Core\Recurrence;

use Syndex\Core\CoreException;

final class InvalidRepeats extends \DomainException implements CoreException
{
    private function __construct(string $message, public readonly string $field)
    {
        parent::__construct($message);
    }

    public static function field(string $field, string $expected): self
    {
        return new self("expected $expected in $field", $field);
    }
}
