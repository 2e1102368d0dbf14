<?php

declare(strict_types=1);

namespace Syndex\Core\Answers;

/**
 * Whether an answer counts, by the order in which it was written and not that in which it came (RFC 5546 2.1.5).
 */
enum Weight: string
{
    case Counts = 'counts';
    /** It answers what has changed since. */
    case OlderVersion = 'older_version';
    /** The same attendee wrote another one later. */
    case OlderAnswer = 'older_answer';
    /** It answers what was never sent. */
    case NeverSent = 'never_sent';

    /**
     * @param  int  $sequence  that it names
     * @param  int  $stamp  moment at which it was written
     * @param  int  $sent  the SEQUENCE last sent to this attendee for this date
     * @param  ?int  $lastSequence  that their last answer named
     * @param  ?int  $lastStamp  of their last answer
     */
    public static function of(int $sequence, int $stamp, int $sent, ?int $lastSequence, ?int $lastStamp): self
    {
        return match (true) {
            $sequence > $sent => self::NeverSent,
            $sequence < $sent => self::OlderVersion,
            $lastSequence !== null && $sequence < $lastSequence => self::OlderAnswer,
            $lastStamp !== null && $sequence === ($lastSequence ?? $sequence) && $stamp < $lastStamp => self::OlderAnswer,
            default => self::Counts,
        };
    }
}
