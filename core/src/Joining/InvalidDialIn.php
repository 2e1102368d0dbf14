<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

use Syndex\Core\CoreException;

final class InvalidDialIn extends \DomainException implements CoreException
{
    private function __construct(string $message, public readonly string $country, public readonly string $number)
    {
        parent::__construct($message);
    }

    public static function unreadable(string $country, string $number): self
    {
        return new self(sprintf('expected a country and an E.164 number, got "%s" and "%s"', $country, $number), $country, $number);
    }
}
