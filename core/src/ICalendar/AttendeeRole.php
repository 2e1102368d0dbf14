<?php

declare(strict_types=1);

namespace Syndex\Core\ICalendar;

/** How much somebody is wanted at a meeting. Its value is the word of the headless core and of the tables. */
enum AttendeeRole: string
{
    case Chair = 'chair';
    case Required = 'required';
    case Optional = 'optional';
    case None = 'none';

    /** ROLE of RFC 5545 3.2.16. */
    public function text(): string
    {
        return match ($this) {
            self::Chair => 'CHAIR',
            self::Required => 'REQ-PARTICIPANT',
            self::Optional => 'OPT-PARTICIPANT',
            self::None => 'NON-PARTICIPANT',
        };
    }

    /** An absent or unknown ROLE counts as required (RFC 5545 3.2.16). */
    public static function ofText(string $text): self
    {
        return match (strtoupper($text)) {
            'CHAIR' => self::Chair,
            'OPT-PARTICIPANT' => self::Optional,
            'NON-PARTICIPANT' => self::None,
            default => self::Required,
        };
    }
}
