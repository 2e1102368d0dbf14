<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

/** One date as a column of the board turned on the series. */
final readonly class DateColumn
{
    /**
     * @param  list<Segment>  $ground  tone is the step of light, 0 to 4: how many of the required are in their hours
     * @param  list<Segment>  $blocks  count: how many of the required are busy
     * @param  int  $barAt  minutes of the axis at which this date begins; a date moved by itself may lie beyond either end
     */
    public function __construct(public array $ground, public array $blocks, public int $barAt) {}
}
