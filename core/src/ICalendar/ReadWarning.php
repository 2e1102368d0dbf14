<?php

declare(strict_types=1);

namespace Syndex\Core\ICalendar;

final readonly class ReadWarning
{
    /**
     * @param  ?int  $line  physical line of the file, from 1
     * @param  string  $code  the same in every language
     * @param  string  $message  for whoever knows the format
     * @param  ?string  $property  the name of the line, like "DTSTART"
     */
    public function __construct(public ?int $line, public string $code, public string $message, public ?string $property = null) {}
}
