<?php

declare(strict_types=1);

namespace Syndex\Core\ICalendar;

use Syndex\Core\Time\Zone;

/** How the times of one entry are meant: all of them in the form of its start. */
final readonly class EntryClock
{
    private function __construct(public TimeForm $form, private ?Zone $zone = null, private ?FileZone $fileZone = null) {}

    public static function dates(): self
    {
        return new self(TimeForm::Date);
    }

    public static function floating(): self
    {
        return new self(TimeForm::Floating);
    }

    public static function utc(): self
    {
        return new self(TimeForm::Utc);
    }

    public static function zoned(Zone $zone): self
    {
        return $zone->id === 'UTC' ? self::utc() : new self(TimeForm::Zoned, $zone);
    }

    public static function ofFile(FileZone $zone): self
    {
        return new self(TimeForm::Offset, null, $zone);
    }

    /** The seconds that a wall time of this clock means: a moment, or the wall itself where there is no zone. */
    public function seconds(int $wall): int
    {
        return $this->zone?->toUtc($wall) ?? $this->fileZone?->toUtc($wall) ?? $wall;
    }

    public function wall(int $seconds): int
    {
        return $seconds + ($this->zone?->offsetAt($seconds) ?? $this->fileZone?->offsetAt($seconds) ?? 0);
    }

    /** @param int $seconds as {@see seconds} gives them */
    public function time(int $seconds): CalendarTime
    {
        return match (true) {
            $this->zone !== null => CalendarTime::zoned($seconds, $this->zone),
            $this->fileZone !== null => CalendarTime::withOffset($seconds, $this->fileZone->offsetAt($seconds)),
            $this->form === TimeForm::Date => CalendarTime::date($seconds),
            $this->form === TimeForm::Floating => CalendarTime::floating($seconds),
            default => CalendarTime::utc($seconds),
        };
    }

    /** Whether its times are moments. */
    public function isFixed(): bool
    {
        return $this->form !== TimeForm::Date && $this->form !== TimeForm::Floating;
    }
}
