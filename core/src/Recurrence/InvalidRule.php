<?php

declare(strict_types=1);

namespace Syndex\Core\Recurrence;

use Syndex\Core\CoreException;

final class InvalidRule extends \DomainException implements CoreException
{
    private function __construct(string $message, public readonly string $part, public readonly string $value)
    {
        parent::__construct($message);
    }

    public static function badPart(string $part, string $value, string $expected): self
    {
        $shown = mb_strimwidth($value, 0, 80, '…');

        return new self(sprintf('expected %s in %s, got "%s"', $expected, $part, $shown), $part, $value);
    }

    public static function unknownPart(string $part): self
    {
        return new self(sprintf('expected the parts of RFC 5545 3.3.10, got "%s"', mb_strimwidth($part, 0, 80, '…')), $part, '');
    }

    public static function twice(string $part): self
    {
        return new self(sprintf('expected %s once, got it twice', $part), $part, '');
    }

    public static function notTogether(string $part, string $other): self
    {
        return new self(sprintf('expected no %s where there is %s, got both', $part, $other), $part, $other);
    }

    public static function alone(string $part, string $needs): self
    {
        return new self(sprintf('expected %s only together with %s', $part, $needs), $part, '');
    }
}
