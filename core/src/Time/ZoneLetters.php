<?php

declare(strict_types=1);

namespace Syndex\Core\Time;

/**
 * The letters by which people name clocks: EST, CET, JST. They are those of the IANA zone data, and mean a zone only at a date on
 * which its clock goes by them.
 */
final class ZoneLetters
{
    /**
     * One zone for each clock with letters of its own, where that clock is in use today. Source: CLDR 48.2 metaZones, territory 001
     * (Unicode license), without Adak and Reykjavik; London and Dublin, which share one there, were added by hand.
     */
    private const ZONES = [
        'Africa/Johannesburg', 'Africa/Lagos', 'Africa/Maputo', 'Africa/Nairobi', 'America/Chicago', 'America/Denver', 'America/Halifax',
        'America/Havana', 'America/Juneau', 'America/Los_Angeles', 'America/Mazatlan', 'America/New_York', 'America/St_Johns', 'America/Whitehorse',
        'Asia/Hong_Kong', 'Asia/Jakarta', 'Asia/Jayapura', 'Asia/Jerusalem', 'Asia/Karachi', 'Asia/Kolkata', 'Asia/Makassar', 'Asia/Manila',
        'Asia/Seoul', 'Asia/Shanghai', 'Asia/Taipei', 'Asia/Tokyo', 'Atlantic/Canary', 'Australia/Adelaide', 'Australia/Perth', 'Australia/Sydney',
        'Europe/Bucharest', 'Europe/Dublin', 'Europe/London', 'Europe/Moscow', 'Europe/Paris', 'Pacific/Auckland', 'Pacific/Honolulu',
        'Pacific/Pago_Pago', 'Pacific/Saipan',
    ];

    /** Letters that stand for a clock at any time of the year. Source: CLDR 48.2, timeZoneNames of en, short generic. */
    private const ALL_YEAR = ['ET' => 'America/New_York', 'CT' => 'America/Chicago', 'MT' => 'America/Denver', 'PT' => 'America/Los_Angeles', 'AKT' => 'America/Juneau'];

    public function __construct(private readonly ZoneData $zones) {}

    /** Whether any clock goes by these letters, now or half a year from a moment. */
    public function areKnown(string $letters, int $moment): bool
    {
        return $this->zones($letters, $moment) !== [] || $this->zones($letters, $moment + 182 * 86400) !== [];
    }

    /** @return list<string> the zones whose clock goes by these letters at a moment */
    public function zones(string $letters, int $moment): array
    {
        $letters = strtoupper($letters);
        if (isset(self::ALL_YEAR[$letters])) {
            return [self::ALL_YEAR[$letters]];
        }

        return array_values(array_filter(self::ZONES, fn(string $id): bool => $this->goesBy($id, $letters, $moment)));
    }

    public function goesBy(string $zoneId, string $letters, int $moment): bool
    {
        return $this->zones->knows($zoneId) && $this->zones->letters($zoneId, $moment) === strtoupper($letters);
    }
}
