<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

use Syndex\Core\Time\Interval;
use Syndex\Core\Time\IntervalSet;
use Syndex\Core\Time\WorkingHours;
use Syndex\Core\Time\Zone;
use Syndex\Core\Work;

/** How much of each of many slots lies outside somebody's hours: one pass over the hours for all slots together. */
final readonly class HoursSweep
{
    /** Over more days the hours of a slot are asked for slot by slot. */
    private const MOST_DAYS = 3000;

    /** Steps of work that a day's hours cost, and a slot that is asked for by itself. */
    private const A_DAY = 3;

    private const A_SLOT = 60;

    public function __construct(private Work $work) {}

    /**
     * @param  list<int>  $starts  moments, ascending
     * @param  int  $seconds  each slot's length
     * @return list<int> seconds outside the hours, a number for each slot
     */
    public function outside(WorkingHours $hours, Zone $zone, array $starts, int $seconds): array
    {
        if ($starts === []) {
            return [];
        }
        $window = Interval::between($starts[0], $starts[count($starts) - 1] + $seconds);
        $days = intdiv($window->seconds(), 86400) + 2;
        if ($days > self::MOST_DAYS) {
            return $this->oneByOne($hours, $zone, $starts, $seconds);
        }
        $this->work->spend(self::A_DAY * $days + intdiv(count($starts), 4));

        return self::outsideOf($hours->within($window, $zone), $starts, $seconds);
    }

    /**
     * @param  IntervalSet  $hours  laid out over all slots
     * @param  list<int>  $starts  moments, ascending
     * @param  int  $seconds  each slot's length
     * @return list<int> seconds outside the hours, a number for each slot
     */
    public static function outsideOf(IntervalSet $hours, array $starts, int $seconds): array
    {
        $from = $until = [];
        $before = [0];
        $sum = 0;
        foreach ($hours->intervals as $stretch) {
            $from[] = $stretch->start;
            $until[] = $stretch->end;
            $before[] = $sum += $stretch->end - $stretch->start;
        }
        $count = count($from);
        $i = $j = 0;
        $outside = [];
        foreach ($starts as $start) {
            $end = $start + $seconds;
            while ($i < $count && $until[$i] <= $start) {
                $i++;
            }
            while ($j < $count && $until[$j] <= $end) {
                $j++;
            }
            // Hours that have passed until the end, less those until the start.
            $outside[] = $seconds - ($before[$j] + ($j < $count && $from[$j] < $end ? $end - $from[$j] : 0)) + ($before[$i] + ($i < $count && $from[$i] < $start ? $start - $from[$i] : 0));
        }

        return $outside;
    }

    /**
     * @param  list<int>  $starts
     * @return list<int>
     */
    private function oneByOne(WorkingHours $hours, Zone $zone, array $starts, int $seconds): array
    {
        $this->work->spend((self::A_SLOT + self::A_DAY * intdiv($seconds, 86400)) * count($starts));

        return array_map(static function (int $start) use ($hours, $zone, $seconds): int {
            $outside = $seconds;
            foreach ($hours->within(Interval::between($start, $start + $seconds), $zone)->intervals as $stretch) {
                $outside -= $stretch->end - $stretch->start;
            }

            return $outside;
        }, $starts);
    }
}
