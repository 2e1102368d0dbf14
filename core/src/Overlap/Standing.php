<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

/** One person at one date of the meeting: their clock, how it falls into their day, and what it collides with. */
final readonly class Standing
{
    /**
     * @param  ?string  $local  wall time at the start, "2026-12-09T01:30:00"; null when the place is unknown
     * @param  list<string>  $clashes  labels of what the person has at that time
     * @param  bool  $calendarKnown  whether no clash means free
     * @param  ?BusyKind  $clash  what it is that they have: being away says more than being busy, and that more than perhaps
     * @param  ?string  $holiday  what the day is called, if that is why it has no hours
     * @param  ?string  $elsewhere  the place where somebody is who is not at home
     */
    public function __construct(
        public string $id,
        public bool $required,
        public ?string $local,
        public Light $light,
        public array $clashes,
        public bool $calendarKnown,
        public ?BusyKind $clash = null,
        public ?string $holiday = null,
        public ?string $elsewhere = null,
    ) {}

    /** How bad it is, to be added up: busy weighs most, then night, then outside hours. */
    public function weight(): int
    {
        return match (true) {
            $this->clashes !== [] => 100,
            $this->light === Light::Night => 10,
            $this->light === Light::InHours, $this->light === Light::Unknown => 0,
            default => 1,
        };
    }
}
