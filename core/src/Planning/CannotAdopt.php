<?php

declare(strict_types=1);

namespace Syndex\Core\Planning;

use Syndex\Core\CoreException;

final class CannotAdopt extends \DomainException implements CoreException
{
    /** @param 'no_start'|'called_off'|'no_dates' $why */
    private function __construct(string $message, public readonly string $why)
    {
        parent::__construct($message);
    }

    public static function noStart(): self
    {
        return new self('expected an event with DTSTART, got one without', 'no_start');
    }

    public static function calledOff(): self
    {
        return new self('expected an event that takes place, got one with STATUS:CANCELLED', 'called_off');
    }

    public static function noDates(): self
    {
        return new self('expected an event with a date, got one whose rule no date matches', 'no_dates');
    }
}
