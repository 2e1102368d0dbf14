<?php

declare(strict_types=1);

namespace App\Planning;

use Carbon\CarbonImmutable;
use Syndex\Core\Time\WallTime;

/** One date of a meeting with all that it has, of its own or from its series. */
final readonly class DateAsPlanned
{
    /**
     * @param  ?string  $place  null: none
     * @param  list<Attendee|DateAttendee>  $people
     */
    private function __construct(public string $title, public int $minutes, public ?string $place, public array $people, public bool $hasOwnPeople) {}

    /** @param WallTime|CarbonImmutable $date as the series names it */
    public static function of(Meeting $meeting, WallTime|CarbonImmutable $date): self
    {
        $seconds = $date instanceof WallTime ? $date->seconds : $date->getTimestamp();
        $own = $meeting->dates->first(static fn(OwnDate $d): bool => $d->date()->seconds === $seconds);
        $place = $own === null ? $meeting->place : $own->place ?? $meeting->place;
        $hasOwnPeople = $own !== null && $own->own_people;

        return new self(
            $own->title ?? $meeting->title,
            $own->duration_minutes ?? $meeting->duration_minutes,
            $place === '' || (!$meeting->join_mode->needsPlace() && $own?->place === null) ? null : $place,
            array_values(($hasOwnPeople ? $own->attendees : $meeting->attendees)->all()),
            $hasOwnPeople,
        );
    }

    public function asks(string $personId): bool
    {
        return in_array($personId, array_map(static fn(Attendee|DateAttendee $a): string => $a->person_id, $this->people), true);
    }
}
