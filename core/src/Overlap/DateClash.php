<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

/** One date on which somebody required is busy, and the ways out of it. */
final readonly class DateClash
{
    /**
     * @param  list<string>  $busy  the required people who are
     * @param  list<string>  $away  those of them who are away
     * @param  int  $wall  what the anchor's clock shows at this date
     * @param  ?int  $moveTo  the nearest start of the same day at which all required people are free, as the anchor's clock shows it
     * @param  ?int  $couldFrom  if it is but one: from when on they could come, where that is within the meeting
     */
    public function __construct(public array $busy, public array $away, public int $wall, public ?int $moveTo, public ?int $couldFrom) {}
}
