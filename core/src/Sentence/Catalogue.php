<?php

declare(strict_types=1);

namespace Syndex\Core\Sentence;

/** Texts of one language, as ICU message patterns: numbers by CLDR's plural rules, genders and cases where the language has them. */
final class Catalogue
{
    /** @var array<string, \MessageFormatter> */
    private array $formatters = [];

    /**
     * @param  string  $locale  as ICU knows it
     * @param  array<string, string>  $patterns
     */
    public function __construct(private readonly string $locale, private readonly array $patterns) {}

    /**
     * @param  array<string, int|string>  $with
     *
     * @throws \LogicException if there is no such text, or it is no pattern
     */
    public function say(string $key, array $with = []): string
    {
        $formatter = $this->formatters[$key] ??= new \MessageFormatter($this->locale, $this->patterns[$key] ?? throw new \LogicException("There is no text $key in $this->locale."));
        $said = $formatter->format($with);

        return is_string($said) ? $said : throw new \LogicException("The text $key in $this->locale cannot be said: " . $formatter->getErrorMessage());
    }

    /** @return list<string> */
    public function keys(): array
    {
        return array_keys($this->patterns);
    }
}
