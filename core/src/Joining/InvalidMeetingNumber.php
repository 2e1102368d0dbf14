<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

use Syndex\Core\CoreException;

final class InvalidMeetingNumber extends \DomainException implements CoreException
{
    private function __construct(string $message, public readonly string $text)
    {
        parent::__construct($message);
    }

    public static function unreadable(string $text): self
    {
        return new self(sprintf('expected 9 to 12 digits, got "%s"', mb_strimwidth($text, 0, 40, '…')), $text);
    }
}
