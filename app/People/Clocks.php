<?php

declare(strict_types=1);

namespace App\People;

use Syndex\Core\Time\Interval;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\Zone;
use Syndex\Core\Time\ZoneData;

/** By which clock somebody lives: that of their zone, and on a journey that of the place where they are. */
final readonly class Clocks
{
    private const A_DAY = 86400;

    public function __construct(private ZoneData $zones) {}

    /** @return ?Zone null: nobody knows where the person is */
    public function of(Person $person): ?Zone
    {
        if ($person->zone === null || !$this->zones->knows($person->zone)) {
            return null;
        }
        $home = $this->zones->zone($person->zone);
        // Only colleagues tell of journeys.
        if ($person->kind === PersonKind::Guest) {
            return $home;
        }
        $stays = [];
        $free = PHP_INT_MIN;
        foreach ($person->loadMissing('journeys')->journeys as $journey) {
            $there = $this->zones->knows($journey->zone) ? $this->zones->zone($journey->zone) : $home;
            $start = max($free, $there->toUtc(self::midnight($journey->from_on->format('Y-m-d'))));
            $end = $there->toUtc(self::midnight($journey->until_on->format('Y-m-d')) + self::A_DAY);
            if ($end > $start) {
                $stays[] = [Interval::between($start, $end), $there];
                $free = $end;
            }
        }

        return Zone::travelling($home, $stays);
    }

    private static function midnight(string $day): int
    {
        return WallTime::parseDate($day)->seconds;
    }
}
