<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

/** From which countries one may come in (ISO 3166-1 alpha-2): only those, or all but those. */
final readonly class CountryRule
{
    /** So many countries there are not. */
    private const MOST = 300;

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

    /** @param mixed $given `["allow" => list]` or `["refuse" => list]`; anything else is none */
    public static function read(mixed $given): ?self
    {
        $kind = is_array($given) && count($given) === 1 ? array_key_first($given) : null;
        $codes = is_array($given) && ($kind === 'allow' || $kind === 'refuse') ? $given[$kind] : null;
        if (!is_array($codes) || !array_is_list($codes) || count($codes) > self::MOST) {
            return null;
        }
        $countries = [];
        foreach ($codes as $code) {
            if (!is_string($code) || preg_match('/\A[A-Z]{2}\z/', $code) !== 1) {
                return null;
            }
            $countries[] = $code;
        }

        return new self($kind === 'allow', array_values(array_unique($countries)));
    }

    /** @return array<string, list<string>> as {@see read} takes it */
    public function toArray(): array
    {
        return [$this->allows ? 'allow' : 'refuse' => $this->countries];
    }

    /** @param ?string $country null: nobody knows from where, which is no reason to refuse */
    public function lets(?string $country): bool
    {
        return $country === null || in_array($country, $this->countries, true) === $this->allows;
    }

    /** The same, and from this country too; null: from everywhere. */
    public function letting(string $country): ?self
    {
        if ($this->allows) {
            return $this->lets($country) ? $this : new self(true, [...$this->countries, $country]);
        }
        $left = array_values(array_diff($this->countries, [$country]));

        return $left === [] ? null : new self(false, $left);
    }

    /** From where both let people in. */
    public function and(self $other): self
    {
        return match (true) {
            $this->allows && $other->allows => new self(true, array_values(array_intersect($this->countries, $other->countries))),
            $this->allows => new self(true, array_values(array_diff($this->countries, $other->countries))),
            $other->allows => $other->and($this),
            default => new self(false, array_values(array_unique([...$this->countries, ...$other->countries]))),
        };
    }
}
