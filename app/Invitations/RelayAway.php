<?php

declare(strict_types=1);

namespace App\Invitations;

/** The mail server is not there, or does not take mail from us at all: no mail is to blame. */
final class RelayAway extends \RuntimeException
{
    private function __construct(string $message, ?\Throwable $previous)
    {
        parent::__construct($message, 0, $previous);
    }

    public static function because(string $what, ?\Throwable $previous = null): self
    {
        return new self($what, $previous);
    }
}
