<?php

declare(strict_types=1);

namespace Syndex\Core\Sentence;

/** A place in a text that is read piece by piece. */
final class Cursor
{
    /** Octets from the beginning. */
    public int $at = 0;

    public function __construct(public readonly string $text) {}

    /**
     * Takes what stands here.
     *
     * @param  string  $pattern  a regular expression, in any letter case
     * @return ?array<int|string, string> null if it is not there
     */
    public function eat(string $pattern): ?array
    {
        if (preg_match('/\G(?:' . $pattern . ')/iu', $this->text, $m, PREG_UNMATCHED_AS_NULL, $this->at) !== 1) {
            return null;
        }
        $this->at += strlen((string) $m[0]);

        return array_map(static fn(?string $part): string => $part ?? '', $m);
    }

    public function sees(string $pattern): bool
    {
        return preg_match('/\G(?:' . $pattern . ')/iu', $this->text, $m, 0, $this->at) === 1;
    }

    public function isAtEnd(): bool
    {
        return $this->at >= strlen($this->text);
    }

    /** What was taken since a place. */
    public function since(int $begin): string
    {
        return substr($this->text, $begin, $this->at - $begin);
    }

    /** What comes next, for quoting. */
    public function rest(): string
    {
        return mb_strcut(substr($this->text, $this->at), 0, 60);
    }
}
