<?php

declare(strict_types=1);

namespace Syndex\Core\Shifts;

use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\Zone;

/** The next change of clocks by which a series moves for people of a zone: theirs, or the anchor's. */
final readonly class ComingShift
{
    /**
     * @param  string  $zoneId  whose clocks change
     * @param  string  $on  local date of the change there, "2027-03-28"
     * @param  int  $minutes  by so much they go forward, or back
     */
    private function __construct(public string $zoneId, public string $on, public int $minutes) {}

    /**
     * @param  int  $from  moment
     * @param  int  $to  moment, no longer looked at
     * @return ?self null where the clocks of both keep their distance
     */
    public static function of(Zone $anchor, Zone $own, int $from, int $to): ?self
    {
        $apart = $own->offsetAt($from) - $anchor->offsetAt($from);
        $moments = array_column([...$anchor->changesBetween($from, $to), ...$own->changesBetween($from, $to)], 'at');
        sort($moments);
        foreach ($moments as $at) {
            // Europe changes at one moment: nobody there moves against the others.
            if ($own->offsetAt($at) - $anchor->offsetAt($at) === $apart) {
                continue;
            }
            $changed = $own->offsetAt($at) !== $own->offsetAt($at - 1) ? $own : $anchor;
            $before = $changed->offsetAt($at - 1);

            return new self($changed->id, WallTime::ofSeconds(86400 * Gregorian::floorDiv($at + $before, 86400))->formatDate(), intdiv($changed->offsetAt($at) - $before, 60));
        }

        return null;
    }
}
