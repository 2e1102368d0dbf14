<?php

declare(strict_types=1);

namespace App\Invitations;

use Syndex\Core\Invitations\Message;

/** Messages to recipients who know the same so far. */
final readonly class TellGroup
{
    /**
     * @param  ?MeetingAsTold  $known  null: nothing
     * @param  list<Message>  $messages
     * @param  bool  $isLater  the messages are of the later part of a series that was cut, which calendars do not know yet; `known` is what it was in the series before
     */
    public function __construct(public ?MeetingAsTold $known, public array $messages, public bool $isLater = false) {}
}
