<?php

declare(strict_types=1);

namespace App\Overlap;

use App\People\Clocks;
use App\People\Hours;
use App\People\Person;
use App\Planning\Attendee;
use App\Planning\Meeting;
use App\Planning\MeetingSeries;
use Syndex\Core\Recurrence\Expansion;
use Syndex\Core\Shifts\ClockChange;
use Syndex\Core\Shifts\ClockShifts;
use Syndex\Core\Shifts\PersonClock;
use Syndex\Core\Shifts\PersonShifts;
use Syndex\Core\Time\PlaceName;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Work;

/** The clock shift report of a series: who moves, from which date on, from what to what, and who sits outside their hours. */
final readonly class ShiftReport
{
    private const MOST_DATES = 400;

    public function __construct(private MeetingSeries $series, private Clocks $clocks, private Hours $hours) {}

    /** @return array<string, mixed> */
    public function of(Meeting $meeting): array
    {
        $meeting->loadMissing('attendees.person.journeys');
        $series = $this->series->of($meeting);
        $work = Work::usual();
        $dates = $series->expand($work, limit: self::MOST_DATES);
        $placed = array_values($meeting->attendees->map(static fn(Attendee $a): Person => $a->person)->filter($this->isPlaced(...))->all());
        $clocks = $series->allDay ? [] : array_values(array_filter(array_map($this->clock(...), $placed)));
        $shifts = ClockShifts::ofClocks($dates, $meeting->duration_minutes, $clocks, $work);

        return [
            'title' => $meeting->title,
            'zoneCity' => PlaceName::of($meeting->zone),
            'dates' => $dates->count(),
            'complete' => $dates->complete,
            'people' => array_map(fn(PersonShifts $s, int $at): array => $this->row($s, $placed[$at], $dates), $shifts, array_keys($shifts)),
            'unplaced' => $meeting->attendees->filter(fn(Attendee $a): bool => !$this->isPlaced($a->person))->map(static fn(Attendee $a): string => $a->person->called())->values()->all(),
        ];
    }

    private function clock(Person $person): ?PersonClock
    {
        $zone = $this->clocks->of($person);

        return $zone === null ? null : new PersonClock($person->id, $zone, $this->hours->of($person));
    }

    private function isPlaced(Person $person): bool
    {
        return $this->clocks->of($person) !== null;
    }

    /** @return array<string, mixed> */
    private function row(PersonShifts $shifts, Person $person, Expansion $dates): array
    {
        $zone = $shifts->person->zone;
        $local = static fn(int $index): string => WallTime::ofSeconds($zone->toWall($dates->starts[$index]))->format();

        return [
            'name' => $person->called(),
            'city' => PlaceName::of($zone->id),
            'first' => $dates->starts === [] ? null : $local(0),
            'changes' => array_map(static fn(ClockChange $c): array => ['on' => $local($c->at), 'was' => $c->was, 'now' => $c->now], $shifts->changes),
            'outside' => array_map($local, $shifts->outside),
        ];
    }
}
