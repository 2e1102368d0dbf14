<?php

declare(strict_types=1);

namespace Syndex\Core\Recurrence;

use Syndex\Core\CoreException;
use Syndex\Core\Time\WallTime;

final class CannotEditDate extends \DomainException implements CoreException
{
    /** @param 'no_such_date'|'there_already'|'last_date'|'cannot_split' $why */
    private function __construct(string $message, public readonly string $why)
    {
        parent::__construct($message);
    }

    public static function noSuchDate(WallTime $date): self
    {
        return new self('expected a date of the series, got ' . $date->format(), 'no_such_date');
    }

    public static function thereAlready(WallTime $date): self
    {
        return new self('expected a date that the series lacks, got ' . $date->format(), 'there_already');
    }

    public static function cannotSplit(WallTime $from): self
    {
        return new self('expected a rule that can be begun anew, got one that cannot at ' . $from->format(), 'cannot_split');
    }

    public static function lastDate(): self
    {
        return new self('expected a date to be left, got the last one to take away', 'last_date');
    }
}
