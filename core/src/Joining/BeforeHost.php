<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

/** What becomes of people who come ahead of the host. */
enum BeforeHost: string
{
    case Enter = 'enter';
    case Lobby = 'lobby';
    /** Outside the door: nothing to see yet. */
    case Wait = 'wait';
}
