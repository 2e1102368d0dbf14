<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

/**
 * Which of the bridge's telephone numbers stand in an invitation: those of the countries in which its people are. Where a country has
 * none, the nearest that has one is named.
 */
final readonly class DialInChoice
{
    /**
     * @param  list<DialIn>  $numbers  that the bridge has
     * @param  array<string, list<array{float, float}>>  $places  latitude and longitude of places of each country, in degrees
     */
    public function __construct(private array $numbers, private array $places) {}

    /**
     * @param  array<string, ?string>  $people  the country of each; null: not known
     * @param  list<string>  $also  countries that are given too
     * @param  list<string>  $not  countries that are left out
     * @return list<ChosenCountry> most people first
     */
    public function of(array $people, array $also = [], array $not = []): array
    {
        $who = array_fill_keys($also, []);
        foreach ($people as $id => $country) {
            if ($country !== null) {
                $who[$country][] = $id;
            }
        }
        $chosen = [];
        foreach ($who as $country => $ids) {
            if (in_array($country, $not, true)) {
                continue;
            }
            $own = $this->numbersOf($country);
            $from = $own === [] ? $this->nearest($country, $not) : $country;
            if ($from !== null) {
                $chosen[] = new ChosenCountry($country, $from, $own === [] ? $this->numbersOf($from) : $own, $ids);
            }
        }
        usort($chosen, static fn(ChosenCountry $a, ChosenCountry $b): int => [count($b->people), $a->country] <=> [count($a->people), $b->country]);

        return $chosen;
    }

    /** @return list<DialIn> those that cost nothing first */
    private function numbersOf(string $country): array
    {
        $own = array_values(array_filter($this->numbers, static fn(DialIn $d): bool => $d->country === $country));
        usort($own, static fn(DialIn $a, DialIn $b): int => [!$a->free, $a->number] <=> [!$b->free, $b->number]);

        return $own;
    }

    /** @param list<string> $not */
    private function nearest(string $country, array $not): ?string
    {
        $best = null;
        foreach ($this->numbers as $number) {
            // A number that costs nothing is of no use from abroad.
            if ($number->free || in_array($number->country, $not, true) || !isset($this->places[$country], $this->places[$number->country])) {
                continue;
            }
            $far = [$this->apart($country, $number->country), $number->country];
            $best = $best === null || $far < $best ? $far : $best;
        }

        return $best[1] ?? null;
    }

    /** Degrees of the great circle between the nearest places of two countries. */
    private function apart(string $country, string $other): float
    {
        $least = 180.0;
        foreach ($this->places[$country] as $one) {
            foreach ($this->places[$other] as $two) {
                $least = min($least, self::degrees($one, $two));
            }
        }

        return $least;
    }

    /**
     * @param  array{float, float}  $one
     * @param  array{float, float}  $other
     */
    private static function degrees(array $one, array $other): float
    {
        [$lat, $lon] = array_map(deg2rad(...), $one);
        [$toLat, $toLon] = array_map(deg2rad(...), $other);

        return rad2deg(acos(min(1.0, max(-1.0, sin($lat) * sin($toLat) + cos($lat) * cos($toLat) * cos($toLon - $lon)))));
    }
}
