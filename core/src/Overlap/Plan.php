<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

use Syndex\Core\Recurrence\Expansion;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\Zone;

/** A meeting being planned, with its dates laid out. */
final readonly class Plan
{
    /** @param Expansion $dates at least one, all-day dates as midnights of the anchor zone */
    private function __construct(public Series $series, public Expansion $dates, public int $durationMinutes, public Zone $anchor) {}

    public static function of(Series $series, Expansion $dates, int $durationMinutes, Zone $anchor): self
    {
        if ($series->allDay) {
            $dates = new Expansion(array_map($anchor->toUtc(...), $dates->walls), $dates->walls, $dates->complete);
        }

        return new self($series, $dates, $durationMinutes, $anchor);
    }

    public function slot(int $index): Interval
    {
        return Interval::lasting($this->dates->starts[$index], $this->durationMinutes);
    }
}
