<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

use Syndex\Core\CoreException;

/** The passcode itself is not kept here, so that it cannot reach a log. */
final class InvalidPasscode extends \DomainException implements CoreException
{
    private function __construct(string $message, public readonly int $least, public readonly int $most)
    {
        parent::__construct($message);
    }

    public static function ofForm(int $least, int $most): self
    {
        return new self("expected a passcode of $least to $most letters and digits, without accents, spaces or signs", $least, $most);
    }
}
