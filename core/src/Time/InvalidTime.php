<?php

declare(strict_types=1);

namespace Syndex\Core\Time;

use Syndex\Core\CoreException;

final class InvalidTime extends \DomainException implements CoreException
{
    private function __construct(string $message, public readonly string $text)
    {
        parent::__construct($message);
    }

    public static function unreadable(string $expected, string $text): self
    {
        return new self(sprintf('expected %s, got "%s"', $expected, mb_strimwidth($text, 0, 80, '…')), $text);
    }
}
