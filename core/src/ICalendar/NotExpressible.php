<?php

declare(strict_types=1);

namespace Syndex\Core\ICalendar;

use Syndex\Core\CoreException;

/** Something that no iCalendar file can say. */
final class NotExpressible extends \DomainException implements CoreException
{
    public static function time(string $key, string $time): self
    {
        return new self(sprintf('expected in "%s" a time that the zone\'s clock can say, got %s, which in a series no wall time names', $key, $time));
    }

    public static function controls(string $key): self
    {
        return new self(sprintf('expected no control characters in "%s", got some', $key));
    }
}
