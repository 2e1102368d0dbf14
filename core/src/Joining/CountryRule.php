<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

/** From which countries one may come in (ISO 3166-1 alpha-2): only those, or all but those. */
final readonly class CountryRule
{
    /** @param list<string> $countries */
    private function __construct(public bool $allows, public array $countries) {}

    /** @param list<string> $countries */
    public static function allow(array $countries): self
    {
        return new self(true, $countries);
    }

    /** @param list<string> $countries */
    public static function refuse(array $countries): self
    {
        return new self(false, $countries);
    }

    /** @param ?string $country null: nobody knows from where, which is no reason to refuse */
    public function lets(?string $country): bool
    {
        return $country === null || in_array($country, $this->countries, true) === $this->allows;
    }
}
