<?php

declare(strict_types=1);

namespace Syndex\Core\Answers;

/** The iTIP methods that attendees send to an organizer (RFC 5546 1.4). */
enum AnswerMethod: string
{
    case Reply = 'REPLY';
    case Counter = 'COUNTER';
    case Refresh = 'REFRESH';
}
