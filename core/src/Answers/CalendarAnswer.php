<?php

declare(strict_types=1);

namespace Syndex\Core\Answers;

use Syndex\Core\ICalendar\CalendarTime;

/** What one attendee says in an iTIP message, of a whole meeting or of one date of it. */
final readonly class CalendarAnswer
{
    /**
     * @param  ?CalendarTime  $recurrenceId  the date it is about; null: the whole
     * @param  int  $sequence  of the request that is answered; 0 where none is named (RFC 5546 3.2.3)
     * @param  ?int  $stamp  DTSTAMP, a moment
     * @param  string  $attendee  address of the one who answers
     * @param  ?string  $partstat  in lower case; null of a REFRESH
     * @param  ?string  $delegate  address to whom it was handed on
     * @param  bool  $isDelegate  somebody else handed it on to the one who answers
     * @param  ?string  $sentBy  address of whoever answers for them
     * @param  ?CalendarTime  $start  of a COUNTER, what is proposed
     */
    public function __construct(
        public AnswerMethod $method,
        public string $uid,
        public ?CalendarTime $recurrenceId,
        public int $sequence,
        public ?int $stamp,
        public string $attendee,
        public ?string $partstat,
        public ?string $delegate = null,
        public bool $isDelegate = false,
        public ?string $sentBy = null,
        public ?string $comment = null,
        public ?CalendarTime $start = null,
        public ?CalendarTime $end = null,
    ) {}
}
