<?php

declare(strict_types=1);

namespace App\People;

/**
 * Public holidays of a country and its regions.
 *
 * The days are those of the npm package `date-holidays` (ISC; its data CC-BY-3.0), written out when the house is set up
 * (ops/holidays.mjs), for last year and the seven that follow.
 */
final class Holidays
{
    /** @var array<string, ?array{name: string, regions: array<string, string>, days: array<string, list<array{string, string}>>}> */
    private array $countries = [];

    /** @var array<string, array<int, string>> */
    private array $days = [];

    /** @return array<int, string> names by day number, days since 1970-01-01; none where the place is not in the table */
    public function of(string $country, ?string $region): array
    {
        return $this->days["$country $region"] ??= self::byDay($this->country($country)['days'] ?? [], $region ?? '');
    }

    public function knows(string $country, ?string $region = null): bool
    {
        $found = $this->country($country);

        return $found !== null && ($region === null || isset($found['regions'][$region]));
    }

    /** @return array<string, string> names of a country's regions that have holidays of their own */
    public function regions(string $country): array
    {
        return $this->country($country)['regions'] ?? [];
    }

    /**
     * @param  array<string, list<array{string, string}>>  $days
     * @return array<int, string>
     */
    private static function byDay(array $days, string $region): array
    {
        $named = [];
        foreach ($days[$region] ?? $days[''] ?? [] as [$day, $name]) {
            [$year, $month, $date] = explode('-', $day);
            $named[intdiv((int) gmmktime(0, 0, 0, (int) $month, (int) $date, (int) $year), 86400)] = $name;
        }

        return $named;
    }

    /** @return ?array{name: string, regions: array<string, string>, days: array<string, list<array{string, string}>>} */
    private function country(string $country): ?array
    {
        if (!array_key_exists($country, $this->countries)) {
            $file = base_path("build/holidays/$country.json");
            $this->countries[$country] = preg_match('/\A[A-Z]{2}\z/', $country) === 1 && is_file($file) ? json_decode((string) file_get_contents($file), true) : null;
        }

        return $this->countries[$country];
    }
}
