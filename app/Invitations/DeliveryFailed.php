<?php

declare(strict_types=1);

namespace App\Invitations;

final class DeliveryFailed extends \RuntimeException
{
    private function __construct(string $message, public readonly bool $forGood, ?\Throwable $previous, public readonly bool $isAnswer = true)
    {
        parent::__construct($message, 0, $previous);
    }

    /** The other side said no, and would again (5yz of RFC 5321 4.2.1). */
    public static function refused(string $answer, ?\Throwable $previous = null): self
    {
        return new self($answer, true, $previous);
    }

    /** The line broke, or nothing was said in time: whether the other side has taken it is not known. */
    public static function unanswered(string $what, ?\Throwable $previous = null): self
    {
        return new self($what, false, $previous, false);
    }

    /** An answer that may differ next time (4yz of RFC 5321 4.2.1). */
    public static function forNow(string $what, ?\Throwable $previous = null): self
    {
        return new self($what, false, $previous);
    }
}
