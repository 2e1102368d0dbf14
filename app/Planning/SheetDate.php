<?php

declare(strict_types=1);

namespace App\Planning;

use Syndex\Core\ICalendar\AttendeeRole;
use Syndex\Core\Time\WallTime;

/** One date of a sheet that has something of its own; whatever is null is as the series has it. */
final readonly class SheetDate
{
    /**
     * @param  WallTime  $date  as the series names it
     * @param  ?string  $place  empty: none
     * @param  ?list<array{personId: string, role: AttendeeRole}>  $people  all who are asked on it
     */
    public function __construct(public WallTime $date, public ?int $minutes, public ?string $title, public ?string $place, public ?array $people) {}

    public function on(WallTime $date): self
    {
        return new self($date, $this->minutes, $this->title, $this->place, $this->people);
    }

    public function saysNothing(): bool
    {
        return $this->minutes === null && $this->title === null && $this->place === null && $this->people === null;
    }
}
