<?php

declare(strict_types=1);

namespace Syndex\Core\Shifts;

use Syndex\Core\Time\KeptClock;

/** For whom newer zone data move the dates of a meeting: where a person's own clock shows another time than was told. */
final readonly class MovedLocally
{
    /**
     * @param  int  $dates  so many dates are concerned
     * @param  int  $was  wall time of the first of them, as it was told
     * @param  int  $now  as it is
     */
    private function __construct(public int $dates, public int $was, public int $now) {}

    /**
     * @param  array<int, array{int, int}>  $moments  of each date, before and now
     * @param  KeptClock  $before  the person's clock as it was known
     * @return ?self null where nothing moves
     */
    public static function of(array $moments, KeptClock $before, KeptClock $now): ?self
    {
        $first = null;
        $dates = 0;
        foreach ($moments as [$then, $present]) {
            $was = $then + $before->offsetAt($then);
            $is = $present + $now->offsetAt($present);
            if ($was !== $is) {
                $dates++;
                $first ??= [$was, $is];
            }
        }

        return $first === null ? null : new self($dates, ...$first);
    }
}
