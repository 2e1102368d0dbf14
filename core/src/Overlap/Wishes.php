<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

use Syndex\Core\Time\WorkingHours;

/** What a good time also keeps to, where it costs nothing that weighs more. */
final readonly class Wishes
{
    /**
     * @param  int  $pauseMinutes  free before and after, for each who is required; 0: none
     * @param  ?int  $notBefore  a moment before which no date should begin: earliest notice
     * @param  ?int  $mostADay  meetings that somebody should have on one day at most, this one among them
     * @param  ?WorkingHours  $quiet  hours for work without meetings, on each one's own clock
     */
    public function __construct(public int $pauseMinutes = 0, public ?int $notBefore = null, public ?int $mostADay = null, public ?WorkingHours $quiet = null) {}
}
