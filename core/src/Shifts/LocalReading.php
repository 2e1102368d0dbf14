<?php

declare(strict_types=1);

namespace Syndex\Core\Shifts;

use Syndex\Core\Recurrence\Expansion;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\Zone;

/** How one person's clock reads the dates of a series. */
final readonly class LocalReading
{
    /**
     * @param  list<WallTime>  $starts  wall time of each date in the person's zone
     * @param  array<string, list<int>>  $byClock  indices of the dates, by time of day: {"12:30": [0, 1], "13:30": [2]}
     */
    private function __construct(public array $starts, public array $byClock) {}

    public static function of(Expansion $dates, Zone $zone): self
    {
        $starts = array_map(static fn(int $moment): WallTime => WallTime::ofSeconds($zone->toWall($moment)), $dates->starts);
        $byClock = [];
        foreach ($starts as $index => $wall) {
            $byClock[$wall->formatClock()][] = $index;
        }

        return new self($starts, $byClock);
    }

    /** The time of day of the first date, by which the person will know the series. */
    public function usualClock(): string
    {
        return isset($this->starts[0]) ? $this->starts[0]->formatClock() : '';
    }

    /**
     * The other times of day, and from which date on how often.
     *
     * @return list<array{clock: string, first: WallTime, dates: int}>
     */
    public function exceptions(): array
    {
        $others = [];
        foreach ($this->byClock as $clock => $indices) {
            if ($clock !== $this->usualClock()) {
                $others[] = ['clock' => $clock, 'first' => $this->starts[$indices[0]], 'dates' => count($indices)];
            }
        }

        return $others;
    }
}
