<?php

declare(strict_types=1);

namespace Syndex\Core\Time;

/** A moment, the same everywhere: whole seconds since 1970-01-01T00:00:00Z. */
final readonly class Instant
{
    private function __construct(public int $seconds) {}

    public static function ofSeconds(int $seconds): self
    {
        return new self($seconds);
    }

    /**
     * Reads RFC 3339 with an offset or Z, capital T and Z, whole seconds.
     *
     * @throws InvalidTime if the text has another form or names a moment that cannot be
     */
    public static function parse(string $text): self
    {
        $expected = 'an instant like 2026-12-08T12:30:00Z or 2026-12-08T15:30:00+03:00';
        if (preg_match('/\A(.{19})(?:Z|([+-])([01]\d|2[0-3]):([0-5]\d))\z/s', $text, $m) !== 1) {
            throw InvalidTime::unreadable($expected, $text);
        }
        try {
            $wall = WallTime::parse($m[1]);
        } catch (InvalidTime) {
            throw InvalidTime::unreadable($expected, $text);
        }
        $offset = ((int) ($m[3] ?? 0) * 60 + (int) ($m[4] ?? 0)) * 60;

        return new self($wall->seconds - (($m[2] ?? '+') === '-' ? -$offset : $offset));
    }

    /** RFC 3339 in UTC: "2026-12-08T12:30:00Z". */
    public function format(): string
    {
        return WallTime::ofSeconds($this->seconds)->format() . 'Z';
    }

    /**
     * RFC 3339 with the offset that a zone has at this moment: "2026-12-08T15:30:00+03:00".
     *
     * RFC 3339 offsets end at the minute. Old local mean times have seconds: the offset is then cut to the minute and
     * the wall time follows it, so that the text still names this very moment.
     */
    public function formatIn(Zone $zone): string
    {
        return $this->formatAt($zone->offsetAt($this->seconds));
    }

    /** @param int $offset seconds east of UTC, cut to the minute as in {@see formatIn} */
    public function formatAt(int $offset): string
    {
        $minutes = intdiv($offset, 60);

        return WallTime::ofSeconds($this->seconds + $minutes * 60)->format()
            . self::offsetText($minutes);
    }

    /** "+03:00" */
    public static function offsetText(int $minutes): string
    {
        return sprintf('%s%02d:%02d', $minutes < 0 ? '-' : '+', intdiv(abs($minutes), 60), abs($minutes) % 60);
    }
}
