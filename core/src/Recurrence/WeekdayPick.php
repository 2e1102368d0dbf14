<?php

declare(strict_types=1);

namespace Syndex\Core\Recurrence;

/** One entry of BYDAY: a weekday (0 is Monday), and which one of the month or year, 0 for every one. */
final readonly class WeekdayPick
{
    public const CODES = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'];

    private function __construct(public int $nth, public int $weekday) {}

    public static function every(int $weekday): self
    {
        return new self(0, $weekday);
    }

    public static function nth(int $nth, int $weekday): self
    {
        return new self($nth, $weekday);
    }

    public function onWeekday(int $weekday): self
    {
        return new self($this->nth, $weekday);
    }

    public function toText(): string
    {
        return ($this->nth === 0 ? '' : (string) $this->nth) . self::CODES[$this->weekday];
    }
}
