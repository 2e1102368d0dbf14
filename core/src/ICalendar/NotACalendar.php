<?php

declare(strict_types=1);

namespace Syndex\Core\ICalendar;

use Syndex\Core\CoreException;

final class NotACalendar extends \DomainException implements CoreException
{
    public static function found(): self
    {
        return new self('expected a calendar file that begins with BEGIN:VCALENDAR, got none');
    }
}
