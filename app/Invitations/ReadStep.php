<?php

declare(strict_types=1);

namespace App\Invitations;

use Syndex\Core\Invitations\Change;
use Syndex\Core\Time\WallTime;

/** A change as it is read back. */
final readonly class ReadStep
{
    /**
     * @param  MeetingAsTold  $was  what differs: before; of a series that is cut, what was to come
     * @param  MeetingAsTold  $is  what differs: after; of a series that is cut, its later part
     * @param  MeetingAsTold  $after  the meeting itself, as it will be
     * @param  ?WallTime  $from  where the series is cut
     * @param  array<string, list<Change>>  $differences  there: what differs from what was to come, by address
     */
    public function __construct(public PlannedStep $planned, public MeetingAsTold $was, public MeetingAsTold $is, public MeetingAsTold $after, public ?WallTime $from, public array $differences = []) {}
}
