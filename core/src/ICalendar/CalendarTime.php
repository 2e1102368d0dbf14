<?php

declare(strict_types=1);

namespace Syndex\Core\ICalendar;

use Syndex\Core\Time\Instant;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\Zone;

/** A time of an entry. Its seconds are a moment; for dates and floating times the wall time as if at UTC. */
final readonly class CalendarTime
{
    private function __construct(public TimeForm $form, public int $seconds, public ?Zone $zone = null, public int $offset = 0, private ?int $wall = null) {}

    public static function date(int $midnight): self
    {
        return new self(TimeForm::Date, $midnight);
    }

    public static function floating(int $wall): self
    {
        return new self(TimeForm::Floating, $wall);
    }

    public static function utc(int $moment): self
    {
        return new self(TimeForm::Utc, $moment);
    }

    public static function zoned(int $moment, Zone $zone): self
    {
        return $zone->id === 'UTC' ? self::utc($moment) : new self(TimeForm::Zoned, $moment, $zone);
    }

    /** As a series writes it: a wall time that its zone skips stays as it is. */
    public static function zonedWall(int $wall, Zone $zone): self
    {
        return $zone->id === 'UTC' ? self::utc($wall) : new self(TimeForm::Zoned, $zone->toUtc($wall), $zone, wall: $wall);
    }

    /** @param int $offset seconds east of UTC */
    public static function withOffset(int $moment, int $offset): self
    {
        return new self(TimeForm::Offset, $moment, null, $offset);
    }

    /** Whether TZID and a wall time can say it: the second pass of a repeated hour is beyond them. */
    public function isSayable(): bool
    {
        return match ($this->form) {
            TimeForm::Zoned => $this->zone !== null && $this->zone->toUtc($this->zone->toWall($this->seconds)) === $this->seconds,
            TimeForm::Offset => false,
            default => true,
        };
    }

    /** What the clock of its form shows. */
    public function wall(): int
    {
        return match ($this->form) {
            TimeForm::Zoned => $this->wall ?? $this->seconds + ($this->zone?->offsetAt($this->seconds) ?? 0),
            TimeForm::Offset => $this->seconds + $this->offset,
            default => $this->seconds,
        };
    }

    /** A date, a wall time, or RFC 3339 with Z or the offset. */
    public function format(): string
    {
        return match ($this->form) {
            TimeForm::Date => WallTime::ofSeconds($this->seconds)->formatDate(),
            TimeForm::Floating => WallTime::ofSeconds($this->seconds)->format(),
            TimeForm::Utc => Instant::ofSeconds($this->seconds)->format(),
            TimeForm::Zoned => $this->zone === null ? '' : Instant::ofSeconds($this->seconds)->formatIn($this->zone),
            TimeForm::Offset => Instant::ofSeconds($this->seconds)->formatAt($this->offset),
        };
    }
}
