<?php

declare(strict_types=1);

namespace App\Overlap;

use App\People\Clocks;
use App\People\Hours;
use App\People\Person;
use App\Planning\Sheet;
use Syndex\Core\ICalendar\AttendeeRole;
use Syndex\Core\Overlap\Busy;
use Syndex\Core\Overlap\Participant;
use Syndex\Core\Time\IntervalSet;

/** The people of a sheet, each with their clock, their hours, and what they have: planned here, away, or in their calendar. */
final readonly class SheetPeople
{
    public function __construct(private Occupancy $occupancy, private Absences $absences, private CalendarBusy $calendars, private Clocks $clocks, private Hours $hours) {}

    /**
     * @param  IntervalSet  $windows  what lies outside of them is left out
     * @param  array<string, array<int, true>>  $leftOut  who is not asked on which dates
     * @param  ?IntervalSet  $ofOptional  the windows of those who are not required; null: the same
     * @param  bool  $named  with titles, where people show them
     * @return list<Participant>
     */
    public function of(Sheet $sheet, IntervalSet $windows, ?string $meetingId, array $leftOut = [], ?IntervalSet $ofOptional = null, bool $named = true): array
    {
        $ids = array_column($sheet->attendees, 'personId');
        $people = Person::query()->with('journeys')->whereIn('id', $ids)->get()->keyBy('id');
        $calendars = $this->calendars->calendars($ids);
        $busy = $elsewhere = [];
        foreach (self::byWindows($sheet, $windows, $ofOptional ?? $windows) as [$some, $window]) {
            $busy += $this->occupancy->of($some, $window, $meetingId);
            $elsewhere += $this->calendars->of(array_values(array_filter($some, static fn(string $id): bool => isset($calendars[$id]))), $window, $named);
        }
        $known = $this->calendars->known($people, $calendars);
        $away = $this->absences->of($people, $windows);
        $participants = [];
        foreach ($sheet->attendees as $attendee) {
            $person = $people->get($attendee['personId']);
            if ($person !== null) {
                $participants[] = new Participant(
                    $person->id,
                    $attendee['role'] === AttendeeRole::Required,
                    $person->id === $sheet->hostId,
                    $this->clocks->of($person),
                    $this->hours->of($person),
                    $known[$person->id],
                    self::inOrder($busy[$person->id] ?? [], [...$away[$person->id] ?? [], ...$elsewhere[$person->id] ?? []]),
                    $leftOut[$person->id] ?? [],
                );
            }
        }

        return $participants;
    }

    /** @return list<array{list<string>, IntervalSet}> ids, and the windows in which they are looked at */
    private static function byWindows(Sheet $sheet, IntervalSet $ofRequired, IntervalSet $ofOptional): array
    {
        if ($ofRequired->intervals == $ofOptional->intervals) {
            return [[array_column($sheet->attendees, 'personId'), $ofRequired]];
        }
        $required = array_column(array_filter($sheet->attendees, static fn(array $a): bool => $a['role'] === AttendeeRole::Required), 'personId');

        return [[$required, $ofRequired], [array_values(array_diff(array_column($sheet->attendees, 'personId'), $required)), $ofOptional]];
    }

    /**
     * @param  list<Busy>  $busy
     * @param  list<Busy>  $away
     * @return list<Busy>
     */
    private static function inOrder(array $busy, array $away): array
    {
        if ($away === []) {
            return $busy;
        }
        usort($away, static fn(Busy $a, Busy $b): int => $a->interval->start <=> $b->interval->start);
        // Both are in order, and one is long: to sort them together would cost more than all the rest.
        $all = [];
        $next = 0;
        foreach ($busy as $one) {
            while ($next < count($away) && $away[$next]->interval->start < $one->interval->start) {
                $all[] = $away[$next++];
            }
            $all[] = $one;
        }
        array_push($all, ...array_slice($away, $next));

        return $all;
    }
}
