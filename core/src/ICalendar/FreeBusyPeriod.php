<?php

declare(strict_types=1);

namespace Syndex\Core\ICalendar;

/** A stretch of a VFREEBUSY (RFC 5545 3.8.2.6): moments, and what kind of time it is. */
final readonly class FreeBusyPeriod
{
    /** @param 'FREE'|'BUSY'|'BUSY-TENTATIVE'|'BUSY-UNAVAILABLE' $type FBTYPE (RFC 5545 3.2.9) */
    private function __construct(public int $start, public int $end, public string $type) {}

    /**
     * @param  string  $text  "19970308T160000Z/PT8H30M" or with an end in place of a length (RFC 5545 3.3.9); times are UTC
     * @return ?self null where it cannot be read or is no stretch
     */
    public static function parse(string $text, string $type): ?self
    {
        $parts = explode('/', trim($text));
        $start = DateTimeText::parse($parts[0]);
        if (count($parts) !== 2 || $start === null || $start->isDate) {
            return null;
        }
        $length = DurationText::parse($parts[1]);
        $until = DateTimeText::parse($parts[1]);
        $end = match (true) {
            $length !== null => $start->wall + $length->days * 86400 + $length->seconds,
            $until !== null && !$until->isDate => $until->wall,
            default => $start->wall,
        };
        $type = strtoupper($type);

        // An unknown type is to be taken for BUSY (RFC 5545 3.2.9).
        return $end > $start->wall ? new self($start->wall, $end, in_array($type, ['FREE', 'BUSY-TENTATIVE', 'BUSY-UNAVAILABLE'], true) ? $type : 'BUSY') : null;
    }
}
