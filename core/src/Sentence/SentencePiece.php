<?php

declare(strict_types=1);

namespace Syndex\Core\Sentence;

/** A stretch of the plain sentence: text that stands for one part of the plan, or the words between two. */
final readonly class SentencePiece
{
    /** @param 'repeats'|'date'|'time'|'zone'|'length'|'end'|'start'|'except'|'also'|null $part */
    public function __construct(public ?string $part, public string $text) {}

    /** @param list<self> $pieces */
    public static function join(array $pieces): string
    {
        return implode('', array_map(static fn(self $piece): string => $piece->text, $pieces));
    }
}
