<?php

declare(strict_types=1);

namespace Syndex\Core\Recurrence;

use Syndex\Core\Time\WallTime;

/**
 * Moves each date of a series by its own amount, and leaves it one series: the rule goes where most dates go, the others are moved
 * by themselves. Calendars hear of them with RECURRENCE-ID (RFC 5545 3.8.4.4); several rules in one entry are undefined (3.8.5.3).
 */
final readonly class TakeTurns
{
    private function __construct(public Series $series, public MovedDates $moved, public int $baseMinutes) {}

    /**
     * @param  list<int>  $walls  the dates, what the series' clock shows at each
     * @param  non-empty-list<int>  $shiftMinutes  for each of them by how much it moves; later dates go with the rule
     *
     * @throws CannotEditDate if two dates would come to lie on one another
     */
    public static function of(Series $series, MovedDates $moved, array $walls, array $shiftMinutes): self
    {
        $counts = array_count_values($shiftMinutes);
        arsort($counts);
        $base = array_key_first($counts);
        $whole = MoveSeries::by($series, $base);
        $taken = $whole->isExact() ? $whole->series : $whole->byDates ?? $whole->series;
        $moved = $moved->shifted($base * 60);
        foreach ($shiftMinutes as $at => $shift) {
            if ($shift !== $base && isset($walls[$at])) {
                $from = WallTime::ofSeconds($walls[$at] + $base * 60);
                $to = WallTime::ofSeconds($walls[$at] + $shift * 60);
                $taken = EditDates::move($taken, $from, $to);
                $moved = $moved->with($from, $to);
            }
        }

        return new self($taken, $moved->within($taken), $base);
    }
}
