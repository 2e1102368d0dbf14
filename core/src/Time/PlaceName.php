<?php

declare(strict_types=1);

namespace Syndex\Core\Time;

/** The city that people know a zone by ("St. John's" for America/St_Johns), from CLDR in a reader's language. */
final class PlaceName
{
    /** @var array<string, string> */
    private static array $known = [];

    /** @param array<string, string> $names by "locale zone", found before: they need not be looked up again */
    public static function remember(array $names): void
    {
        self::$known += $names;
    }

    public static function of(string $zoneId, string $locale = 'en'): string
    {
        return self::$known["$locale $zoneId"] ??= self::lookUp($zoneId, $locale);
    }

    private static function lookUp(string $zoneId, string $locale): string
    {
        if (!str_contains($zoneId, '/') || str_starts_with($zoneId, 'Etc/')) {
            return str_replace('_', ' ', (string) preg_replace('#^Etc/#', '', $zoneId));
        }
        $last = str_replace('_', ' ', substr((string) strrchr($zoneId, '/'), 1));
        $zone = \IntlTimeZone::createTimeZone($zoneId);
        if ($zone->getID() === 'Etc/Unknown') {
            return $last;
        }
        $city = (new \IntlDateFormatter($locale, \IntlDateFormatter::FULL, \IntlDateFormatter::FULL, $zone, null, 'VVV'))->format(0);

        return is_string($city) && $city !== '' ? $city : $last;
    }
}
