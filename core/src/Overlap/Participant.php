<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

use Syndex\Core\Time\Interval;
use Syndex\Core\Time\IntervalSet;
use Syndex\Core\Time\WorkingHours;
use Syndex\Core\Time\Zone;

/** A person as the board sees them: where, when they work, what they have already. */
final readonly class Participant
{
    public IntervalSet $taken;

    /**
     * @param  ?Zone  $zone  null when nobody knows where the person is
     * @param  bool  $calendarKnown  whether an empty list of busy times means free
     * @param  list<Busy>  $busy
     * @param  array<int, true>  $leftOut  dates on which they are not asked, by what the anchor's clock shows then
     * @param  ?WorkingHours  $quiet  hours for work without meetings, in place of those of all; null: none of their own
     */
    public function __construct(
        public string $id,
        public bool $required,
        public bool $host,
        public ?Zone $zone,
        public WorkingHours $hours,
        public bool $calendarKnown,
        public array $busy = [],
        public array $leftOut = [],
        public ?WorkingHours $quiet = null,
    ) {
        $this->taken = IntervalSet::of($busy === [] ? [] : array_map(static fn(Busy $b): Interval => $b->interval, $busy));
    }

    /** @param int $wall what the anchor's clock shows at a date */
    public function isAsked(int $wall): bool
    {
        return !isset($this->leftOut[$wall]);
    }

    /** @return list<Busy> what lies within a window, or reaches into it */
    public function busyDuring(Interval $window): array
    {
        $during = [];
        foreach ($this->busy as $busy) {
            // In order of start: nothing that follows can reach back.
            if ($busy->interval->start >= $window->end) {
                break;
            }
            if ($window->start < $busy->interval->end) {
                $during[] = $busy;
            }
        }

        return $during;
    }
}
