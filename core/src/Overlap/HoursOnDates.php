<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

use Syndex\Core\Time\Interval;
use Syndex\Core\Time\IntervalSet;
use Syndex\Core\Time\WorkingHours;
use Syndex\Core\Time\Zone;

/** Working hours around each date, worked out once for all people of one zone with the same hours. */
final class HoursOnDates
{
    /** @var array<string, IntervalSet> */
    private array $known = [];

    /** @var \SplObjectStorage<WorkingHours, string> */
    private \SplObjectStorage $names;

    public function __construct()
    {
        $this->names = new \SplObjectStorage();
    }

    public function of(WorkingHours $hours, Zone $zone, Interval $window): IntervalSet
    {
        if (!isset($this->names[$hours])) {
            $this->names[$hours] = $hours->key();
        }

        return $this->known[$zone->key() . ' ' . $window->start . ' ' . $window->end . ' ' . $this->names[$hours]] ??= $hours->within($window, $zone);
    }
}
