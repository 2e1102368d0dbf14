<?php

declare(strict_types=1);

namespace App\People;

/** Countries by their codes (ISO 3166-1 alpha-2, as the zone data list them), named as CLDR names them. */
final class Countries
{
    private const LISTED = '/usr/share/zoneinfo/iso3166.tab';

    /** @var ?array<string, string> */
    private static ?array $all = null;

    public static function knows(string $code): bool
    {
        return isset(self::all()[$code]);
    }

    /** The code itself, where nobody knows it. */
    public static function named(string $code): string
    {
        return self::all()[$code] ?? $code;
    }

    /** @return array<string, string> names by code, in their order */
    public static function all(): array
    {
        return self::$all ??= self::read();
    }

    /** @return array<string, string> */
    private static function read(): array
    {
        preg_match_all('/^([A-Z]{2})\t/m', (string) file_get_contents(self::LISTED), $found);
        $all = [];
        foreach ($found[1] as $code) {
            $all[$code] = (string) \Locale::getDisplayRegion("und-$code", 'en');
        }
        (new \Collator('en'))->asort($all);

        return $all;
    }
}
