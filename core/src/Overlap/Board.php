<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

/** Everything that the plan sheet draws, computed in one go. */
final readonly class Board
{
    /**
     * @param  list<DateState>  $dates
     * @param  list<DateState>  $comingDays  the next days of a single meeting; none for a series
     * @param  list<DateColumn>  $columns  one for each date, or for each coming day
     * @param  list<Mark>  $columnScale
     */
    public function __construct(
        public DayBoard $day,
        public array $dates,
        public array $comingDays,
        public array $columns,
        public array $columnScale,
        public int $columnBarAt,
        public Summary $summary,
    ) {}
}
