<?php

declare(strict_types=1);

namespace Syndex\Core\Recurrence;

/** FREQ of RFC 5545 3.3.10, the period of a rule. */
enum Frequency: string
{
    case Secondly = 'SECONDLY';
    case Minutely = 'MINUTELY';
    case Hourly = 'HOURLY';
    case Daily = 'DAILY';
    case Weekly = 'WEEKLY';
    case Monthly = 'MONTHLY';
    case Yearly = 'YEARLY';

    /** Length in seconds of the periods that are shorter than a day. */
    public function secondsBelowADay(): ?int
    {
        return match ($this) {
            self::Secondly => 1,
            self::Minutely => 60,
            self::Hourly => 3600,
            default => null,
        };
    }
}
