<?php

declare(strict_types=1);

namespace Syndex\Core\ICalendar;

/** DURATION (RFC 5545 3.3.6): days go by the calendar, the rest is exact. */
final readonly class DurationText
{
    private function __construct(public int $days, public int $seconds) {}

    /** @return ?self null where the text is none */
    public static function parse(string $text): ?self
    {
        if (preg_match('/\A([+-]?)P(?=[\dT])(?:(\d{1,7})W)?(?:(\d{1,7})D)?(?:T(?=\d)(?:(\d{1,9})H)?(?:(\d{1,9})M)?(?:(\d{1,9})S)?)?\z/i', trim($text), $m) !== 1) {
            return null;
        }
        $sign = $m[1] === '-' ? -1 : 1;

        return new self(
            $sign * (7 * (int) ($m[2] ?? 0) + (int) ($m[3] ?? 0)),
            $sign * ((int) ($m[4] ?? 0) * 3600 + (int) ($m[5] ?? 0) * 60 + (int) ($m[6] ?? 0)),
        );
    }

    /** @param int $seconds an exact length */
    public static function exact(int $seconds): string
    {
        return 'PT' . ($seconds % 3600 === 0 && $seconds > 0 ? intdiv($seconds, 3600) . 'H' : ($seconds % 60 === 0 && $seconds > 0 ? intdiv($seconds, 60) . 'M' : $seconds . 'S'));
    }
}
