<?php

declare(strict_types=1);

namespace App\Offers;

use Syndex\Core\Overlap\Plan;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\IntervalSet;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\Zone;

/** One of the offered times with all dates that the meeting would have. */
final readonly class OfferReading
{
    public function __construct(public OfferedTime $time, public Plan $plan) {}

    public function slot(): Interval
    {
        return Interval::lasting($this->time->starts_at->getTimestamp(), $this->plan->durationMinutes);
    }

    /** All dates, as stretches of time. */
    public function slots(): IntervalSet
    {
        return IntervalSet::of(array_map(fn(int $start): Interval => Interval::lasting($start, $this->plan->durationMinutes), $this->plan->dates->starts));
    }

    /** On how many dates one of these stretches lies. */
    public function datesOn(IntervalSet $taken): int
    {
        return count(array_filter($this->plan->dates->starts, fn(int $start): bool => $taken->overlaps(Interval::lasting($start, $this->plan->durationMinutes))));
    }

    public function wallIn(Zone $zone): WallTime
    {
        return WallTime::ofSeconds($zone->toWall($this->time->starts_at->getTimestamp()));
    }
}
