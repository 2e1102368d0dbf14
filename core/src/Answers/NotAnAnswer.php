<?php

declare(strict_types=1);

namespace Syndex\Core\Answers;

use Syndex\Core\CoreException;

final class NotAnAnswer extends \DomainException implements CoreException
{
    private function __construct(public readonly string $why, string $message)
    {
        parent::__construct($message);
    }

    public static function method(?string $method): self
    {
        return new self('method', 'expected METHOD REPLY, COUNTER or REFRESH, got ' . ($method === null ? 'none' : mb_strimwidth($method, 0, 40, '…')));
    }

    public static function noEvent(): self
    {
        return new self('no_event', 'expected an event with a UID, got none');
    }

    public static function severalMeetings(): self
    {
        return new self('several_meetings', 'expected one UID (RFC 5546 3.2.3), got several');
    }

    public static function nobody(): self
    {
        return new self('nobody', 'expected the ATTENDEE who answers, got none');
    }

    public static function tooMany(int $most): self
    {
        return new self('too_many', "expected $most dates at most, got more");
    }

    public static function noStart(): self
    {
        return new self('no_start', 'expected the DTSTART that is proposed (RFC 5546 3.2.7), got none');
    }
}
