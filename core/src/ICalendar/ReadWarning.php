<?php

declare(strict_types=1);

namespace Syndex\Core\ICalendar;

final readonly class ReadWarning
{
    /** @param ?int $line physical line of the file, from 1 */
    public function __construct(public ?int $line, public string $code, public string $message) {}
}
