<?php

declare(strict_types=1);

namespace App\Answers;

enum ReplyState: string
{
    /** It counts. */
    case Taken = 'taken';
    /** It waits for the coordinator to decide. */
    case Waiting = 'waiting';
    /** The coordinator took it. */
    case Agreed = 'agreed';
    case Refused = 'refused';
    /** Who sent it is not sure: only the coordinator can say whether it counts. */
    case Aside = 'aside';
    /** Passed over, and said why: something newer holds. */
    case PassedOver = 'passed_over';
    /** There was nothing to do. */
    case Noted = 'noted';
}
