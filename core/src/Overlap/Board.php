<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

/** Everything that the plan sheet draws, computed in one go. */
final readonly class Board
{
    /**
     * @param  list<DateState>  $dates
     * @param  list<DateColumn>  $columns  the dates, or the next days of a single meeting
     * @param  list<Mark>  $columnScale
     * @param  list<Fit>  $fits  best first; only those better than the present time
     */
    public function __construct(public DayBoard $day, public array $dates, public array $columns, public array $columnScale, public int $columnBarAt, public Fit $present, public array $fits) {}
}
