<?php

declare(strict_types=1);

namespace App\People;

use Syndex\Core\Time\Interval;

/** Somebody's calendar says something else than before. */
final readonly class BusyTimesChanged
{
    /**
     * @param list<array{interval: Interval, kind: string}> $added stretches that were free before, in order of start
     * @param list<Interval> $own of our own meetings, where the calendar has them by their UID
     */
    public function __construct(public string $personId, public array $added, public array $own = []) {}
}
