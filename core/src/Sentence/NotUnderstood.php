<?php

declare(strict_types=1);

namespace Syndex\Core\Sentence;

use Syndex\Core\CoreException;

/** A typed sentence, or a part of one, that has no meaning or several. */
final class NotUnderstood extends \DomainException implements CoreException
{
    private function __construct(string $message, public readonly string $quote, public readonly string $reason)
    {
        parent::__construct($message);
    }

    /** @param string $reason in plain words, to follow the quote */
    public static function words(string $quote, string $reason): self
    {
        $quote = mb_strimwidth(trim($quote), 0, 80, '…');

        return new self(sprintf('expected when and how often, got "%s": %s', $quote, $reason), $quote, $reason);
    }
}
