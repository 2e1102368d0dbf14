<?php

declare(strict_types=1);

namespace App\People;

use Syndex\Core\Time\Interval;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\ZoneData;

/** The stretch of an absence: from midnight to midnight on the person's own clock. */
final readonly class AwayDays
{
    private const A_DAY = 86400;

    public function __construct(private ZoneData $zones) {}

    /** @param ?string $zoneId where the person is; null: not known, and UTC stands in */
    public function of(Absence $absence, ?string $zoneId): Interval
    {
        $zone = $this->zones->zone($zoneId !== null && $this->zones->knows($zoneId) ? $zoneId : 'UTC');
        $midnight = static fn(string $day): int => WallTime::parseDate($day)->seconds;

        return Interval::between($zone->toUtc($midnight($absence->from_on->format('Y-m-d'))), $zone->toUtc($midnight($absence->until_on->format('Y-m-d')) + self::A_DAY));
    }
}
