<?php

declare(strict_types=1);

namespace Syndex\Core\Sentence;

use Syndex\Core\CoreException;

/** A typed sentence, or a part of one, that has no meaning or several. */
final class NotUnderstood extends \DomainException implements CoreException
{
    /** @param array<string, string> $with values to go into the words for the code */
    private function __construct(public readonly string $quote, public readonly string $reason, public readonly array $with, public readonly ?string $corrected)
    {
        parent::__construct(sprintf('expected when and how often, got "%s": %s', $quote, trim(str_replace('_', ' ', $reason) . ' ' . implode(', ', $with))));
    }

    /**
     * @param  string  $quote  the piece that stands in the way
     * @param  string  $reason  a code in snake_case, the same in every language
     * @param  array<string, string>  $with
     */
    public static function of(string $quote, string $reason, array $with = []): self
    {
        return new self(mb_strimwidth(trim($quote), 0, 80, '…'), $reason, $with, null);
    }

    /**
     * A slip of the keys: what was probably meant.
     *
     * @param  list<string>  $meant  in the order of the text
     * @param  string  $corrected  the whole text, put right
     */
    public static function nearMiss(string $quote, array $meant, string $corrected): self
    {
        return new self(mb_strimwidth(trim($quote), 0, 80, '…'), 'did_you_mean', ['meant' => implode(', ', $meant)], $corrected);
    }
}
