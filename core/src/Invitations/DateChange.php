<?php

declare(strict_types=1);

namespace Syndex\Core\Invitations;

use Syndex\Core\Time\WallTime;

/** What one person is told of one date. */
final readonly class DateChange
{
    /**
     * @param  WallTime  $recurrenceId  as the first state names it
     * @param  bool  $isGone  they no longer come on that date
     * @param  bool  $isNew  they did not before
     * @param  list<Change>  $changes
     */
    public function __construct(public WallTime $recurrenceId, public bool $isGone, public bool $isNew, public array $changes) {}
}
