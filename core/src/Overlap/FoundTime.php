<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

/** A time to which all dates of a plan could move alike, with what it costs whom. */
final readonly class FoundTime
{
    /**
     * @param  int  $shiftMinutes  by so much every date moves on the anchor's clock; 0: the present time
     * @param  int  $wall  what the anchor's clock shows at the first date then
     * @param  int  $clashDates  dates on which somebody required is busy
     * @param  int  $offHours  how often somebody required sits outside their hours, over all dates
     * @param  int  $optionalBusy  how often somebody optional is busy, over all dates
     * @param  int  $offMinutes  how long everybody sits outside their hours, over all dates
     * @param  int  $unwished  how often a wish is not kept for somebody required, over all dates
     * @param  array<int, DateClash>  $clashes  of the first dates that clash, by place of the date
     * @param  array<string, int>  $perhaps  required people who perhaps have something, and on how many dates
     * @param  list<string>  $worse  required people who are busy on more dates than at the present time, or off hours on more
     * @param  array<string, array{int, int}>  $burden  of each person: dates at night, dates outside hours (those at night among them)
     * @param  array<string, int>  $noPause  required people who would have no pause, and on how many dates
     * @param  ?int  $shorterTo  minutes for which it would hold on every date
     */
    public function __construct(
        public int $shiftMinutes,
        public int $wall,
        public int $clashDates,
        public int $offHours,
        public int $optionalBusy,
        public int $offMinutes,
        public int $unwished = 0,
        public array $clashes = [],
        public array $perhaps = [],
        public array $worse = [],
        public array $burden = [],
        public array $noPause = [],
        public ?int $shorterTo = null,
    ) {}

    /** @return list<int> the less, the better; how near it lies to the present time comes after these */
    public function cost(): array
    {
        return [$this->clashDates, $this->offHours, $this->optionalBusy, $this->offMinutes, $this->unwished];
    }
}
