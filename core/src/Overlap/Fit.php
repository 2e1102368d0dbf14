<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

/** A time of day that suits the series, found by the search. */
final readonly class Fit
{
    /**
     * @param  string  $clock  time of day on the anchor's clock, "13:15"
     * @param  int  $at  minutes from the top of the axis of all dates
     * @param  int  $dayShift  -1, 0 or 1: the dates move to the day before or after
     * @param  int  $clashDates  dates on which somebody required is busy
     * @param  int  $offHours  how often somebody required sits outside their hours, over all dates
     * @param  int  $optionalBusy  how often somebody optional is busy, over all dates
     * @param  int  $offMinutes  how long everybody sits outside their hours, over all dates
     * @param  array<int, list<string>>  $clashes  of the first dates that clash: the required people who are busy, by place of the date
     * @param  list<string>  $worse  required people who are busy on more dates than at the present time, or off hours on more
     */
    public function __construct(
        public string $clock,
        public int $at,
        public int $dayShift,
        public int $clashDates,
        public int $offHours,
        public int $optionalBusy,
        public int $offMinutes,
        public int $dates,
        public array $clashes = [],
        public array $worse = [],
    ) {}

    /** @return list<int> the less, the better; how near it lies to the present time comes after these */
    public function cost(): array
    {
        return [$this->clashDates, $this->offHours, $this->optionalBusy, $this->offMinutes];
    }
}
