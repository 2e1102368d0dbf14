<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

/** One date of the series, judged: who is free of the required, who collides, who sits outside their hours. */
final readonly class DateState
{
    /**
     * @param  string  $wall  start on the anchor's clock
     * @param  string  $start  the moment, RFC 3339 in UTC
     * @param  int  $free  of the required, those whose calendar is known and has nothing then
     * @param  int  $unknown  of the required, those of whom nobody knows: neither busy nor free
     * @param  list<Standing>  $troubles  the people who are busy or outside their hours
     * @param  list<PlaceShift>  $shifts
     * @param  ?int  $anchorShift  minutes by which the anchor's own clocks changed since the date before
     */
    public function __construct(
        public int $index,
        public string $wall,
        public string $start,
        public int $required,
        public int $free,
        public int $unknown,
        public array $troubles,
        public array $shifts,
        public ?int $anchorShift,
    ) {}
}
