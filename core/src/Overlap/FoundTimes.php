<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

/** What a search over all dates of a plan found. */
final readonly class FoundTimes
{
    /**
     * @param  FoundTime  $present  the present time, counted as the others are
     * @param  list<FoundTime>  $held  times better than the present that hold on every date, best first
     * @param  list<FoundTime>  $nearly  times better than the present that do not, best first
     * @param  int  $looked  so many starts were looked at
     * @param  int  $holding  so many of them hold on every date
     * @param  list<Opening>  $openings  where none holds: what one change would open, most first
     */
    public function __construct(public FoundTime $present, public array $held, public array $nearly, public int $looked, public int $holding, public array $openings) {}
}
