<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

use Syndex\Core\Time\Interval;
use Syndex\Core\Time\WorkingHours;
use Syndex\Core\Time\Zone;

/** What somebody's meetings take of the time that is not for work. */
final readonly class Burden
{
    /** Hours are looked for so far around a meeting. */
    private const AROUND = 4 * 86400;

    /**
     * @param  int  $nights  meetings at night
     * @param  int  $outside  meetings of which any part lies outside hours, those at night among them
     * @param  int  $minutes  outside hours, all together
     * @param  int  $farthest  minutes from the hours next to it to the far end of the meeting that lies farthest from them
     * @param  ?int  $farthestAt  the moment at which that one begins
     */
    private function __construct(public int $meetings, public int $nights, public int $outside, public int $minutes, public int $farthest, public ?int $farthestAt) {}

    /** @param list<Interval> $meetings */
    public static function of(array $meetings, WorkingHours $hours, Zone $zone): self
    {
        $nights = $outside = $seconds = $farthest = 0;
        $farthestAt = null;
        foreach ($meetings as $meeting) {
            if ($hours->cover($meeting, $zone)) {
                continue;
            }
            $outside++;
            $nights += Daylight::outside($meeting, $hours, $zone) === Light::Night ? 1 : 0;
            $around = $hours->within(Interval::between($meeting->start - self::AROUND, $meeting->end + self::AROUND), $zone);
            $seconds += HoursSweep::outsideOf($around, [$meeting->start], $meeting->seconds())[0];
            $distance = self::AROUND;
            foreach ($around->intervals as $stretch) {
                // How long one stays on after hours, or how much sooner one has to be there.
                $distance = min($distance, max(0, $stretch->start - $meeting->start) + max(0, $meeting->end - $stretch->end));
            }
            if ($distance > $farthest) {
                [$farthest, $farthestAt] = [$distance, $meeting->start];
            }
        }

        return new self(count($meetings), $nights, $outside, intdiv($seconds, 60), intdiv($farthest, 60), $farthestAt);
    }
}
