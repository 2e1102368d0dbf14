<?php

declare(strict_types=1);

namespace Syndex\Core\Time;

/** Countries by the IANA zone table (zone.tab, as PHP's zone data carries it): in which one a zone lies, and where a country is. */
final class ZoneCountries
{
    /** @var ?array<string, list<array{float, float}>> */
    private static ?array $places = null;

    /** @return ?string ISO 3166-1 alpha-2; null: the zone lies in none */
    public static function of(string $zone): ?string
    {
        // The table has no older names of a zone; CLDR has.
        $region = self::read($zone)[0] ?? (\IntlTimeZone::getRegion($zone) ?: '');

        return preg_match('/\A[A-Z]{2}\z/', $region) === 1 ? $region : null;
    }

    /** @return array<string, list<array{float, float}>> latitude and longitude in degrees of the places that the table names, by country */
    public static function places(): array
    {
        if (self::$places === null) {
            self::$places = [];
            foreach (\DateTimeZone::listIdentifiers() as $zone) {
                $read = self::read($zone);
                if ($read !== null) {
                    self::$places[$read[0]][] = [$read[1], $read[2]];
                }
            }
        }

        return self::$places;
    }

    /** @return ?array{string, float, float} */
    private static function read(string $zone): ?array
    {
        try {
            $location = (new \DateTimeZone($zone))->getLocation();
        } catch (\Exception) {
            return null;
        }

        return $location === false || preg_match('/\A[A-Z]{2}\z/', $location['country_code']) !== 1 ? null : [$location['country_code'], $location['latitude'], $location['longitude']];
    }
}
