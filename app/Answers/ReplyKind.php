<?php

declare(strict_types=1);

namespace App\Answers;

enum ReplyKind: string
{
    case Answer = 'answer';
    /** Another time is proposed (RFC 5546 3.2.7). */
    case OtherTime = 'other_time';
    /** It is handed on to somebody else (RFC 5546 3.2.2.3). */
    case HandedOn = 'handed_on';
    /** The present state is asked for (RFC 5546 3.2.6). */
    case Refresh = 'refresh';
    /** A mail came back (RFC 3464, Action failed). */
    case Bounce = 'bounce';
    /** A mail is on its way still (Action delayed). */
    case Delay = 'delay';
    /** Written by an answering machine (RFC 3834). */
    case Machine = 'machine';
    /** Words, or what nobody understands. */
    case Other = 'other';
}
