<?php

declare(strict_types=1);

namespace Syndex\Core\Recurrence;

use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\Instant;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\Zone;

/** UNTIL of a rule, which it includes: a moment in UTC, a wall time of the series' zone, or a whole day. */
final readonly class Until
{
    private function __construct(private ?Instant $instant, private ?WallTime $wall, private bool $wholeDay) {}

    public static function instant(Instant $instant): self
    {
        return new self($instant, null, false);
    }

    public static function wallTime(WallTime $wall): self
    {
        return new self(null, $wall, false);
    }

    public static function day(WallTime $midnight): self
    {
        return new self(null, $midnight, true);
    }

    /** The last moment that counts, on the scale of a series with this zone (none: floating and all-day, as if UTC). */
    public function lastMoment(?Zone $zone): int
    {
        if ($this->instant !== null) {
            return $this->instant->seconds;
        }
        $wall = ($this->wall->seconds ?? 0) + ($this->wholeDay ? 86399 : 0);

        return $zone === null ? $wall : $zone->toUtc($wall);
    }

    /** A wall time that no date of the rule can pass, for stopping a walk. */
    public function lastWall(?Zone $zone): int
    {
        if ($this->instant !== null) {
            return $this->instant->seconds + ($zone === null ? 0 : 2 * 86400);
        }

        return ($this->wall->seconds ?? 0) + ($this->wholeDay ? 86399 : 0);
    }

    /** So much later on the wall; a whole day by whole days. */
    public function laterBy(int $seconds, ?Zone $zone): self
    {
        if ($this->wholeDay && $this->wall !== null) {
            return self::day($this->wall->plusSeconds(Gregorian::floorDiv($seconds, 86400) * 86400));
        }
        $last = $this->lastMoment($zone);

        return self::wallTime(WallTime::ofSeconds($zone === null ? $last : $zone->toWall($last))->plusSeconds($seconds));
    }

    /** In the form that DTSTART asks for: a date for dates, a wall time for floating starts, UTC beside a zone (RFC 5545 3.3.10). */
    public function beside(bool $allDay, bool $floating, ?Zone $zone): self
    {
        return match (true) {
            $allDay => self::day(WallTime::ofSeconds(Gregorian::floorDiv($this->lastWall(null), 86400) * 86400)),
            $floating => self::wallTime(WallTime::ofSeconds($this->lastMoment(null))),
            default => self::instant(Instant::ofSeconds($this->lastMoment($zone))),
        };
    }

    public function isWholeDay(): bool
    {
        return $this->wholeDay;
    }

    /** RFC 5545 form: 20261208, 20261208T153000 or 20261208T123000Z. */
    public function toText(): string
    {
        $text = $this->instant?->format() ?? ($this->wholeDay ? $this->wall?->formatDate() : $this->wall?->format()) ?? '';

        return str_replace(['-', ':'], '', $text);
    }
}
