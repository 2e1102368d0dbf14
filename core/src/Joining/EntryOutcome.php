<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

/** What becomes of somebody at the door. */
enum EntryOutcome: string
{
    case Admitted = 'admitted';
    case Lobby = 'lobby';
    /** Until the host comes; nothing to see yet. */
    case Waits = 'waits';
    /** Not open yet: come again later. */
    case Closed = 'closed';
    case Refused = 'refused';
}
