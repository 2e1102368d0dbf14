<?php

declare(strict_types=1);

namespace App\Overlap;

use App\People\Life;
use App\People\Lives;
use App\Planning\Sheet;
use Syndex\Core\ICalendar\AttendeeRole;
use Syndex\Core\Overlap\Busy;
use Syndex\Core\Overlap\BusyKind;
use Syndex\Core\Overlap\Participant;
use Syndex\Core\Time\BareStretches;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\IntervalSet;

/** The people of a sheet, each with their clock, their hours, and what they have: planned here, away, or in their calendar. */
final readonly class SheetPeople
{
    public function __construct(private Occupancy $occupancy, private Absences $absences, private CalendarBusy $calendars, private Lives $lives) {}

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
        $calendars = $this->calendars->calendars($ids);
        $busy = $elsewhere = [];
        foreach (self::byWindows($sheet, $windows, $ofOptional ?? $windows) as [$some, $window]) {
            $busy += $this->occupancy->of($some, $window, $meetingId);
            $elsewhere += $this->calendars->of(self::among($some, $calendars), $window, $named, $calendars);
        }

        return $this->participants($sheet, $windows, $calendars, $busy, $elsewhere, $leftOut);
    }

    /**
     * For a search, which asks no more of those who are not required than how many are busy.
     *
     * @param  array<string, array<int, true>>  $leftOut  who is not asked on which dates
     * @return array{list<Participant>, array<string, list<int>>} everybody, and what optional people have for sure, where it does not stand with them: starts and ends by turns
     */
    public function forSearch(Sheet $sheet, IntervalSet $windows, ?string $meetingId, array $leftOut): array
    {
        $ids = array_column($sheet->attendees, 'personId');
        $required = self::required($sheet);
        $optional = array_values(array_diff($ids, $required));
        $calendars = $this->calendars->calendars($ids);
        $people = $this->participants($sheet, $windows, $calendars, $this->occupancy->of($ids, $windows, $meetingId), $this->calendars->of(self::among($required, $calendars), $windows, false, $calendars), $leftOut);
        $others = $windows->isEmpty() ? [] : $this->calendars->pairs(self::among($optional, $calendars), Interval::between($windows->intervals[0]->start, $windows->intervals[count($windows->intervals) - 1]->end), $calendars);
        foreach ($people as $person) {
            // Whoever has something here too has both.
            if (isset($others[$person->id]) && $person->busy !== []) {
                $others[$person->id] = BareStretches::together($others[$person->id], self::firm($person->busy));
            }
        }

        return [$people, $others];
    }

    /**
     * @param  list<Busy>  $busy
     * @return list<int> starts and ends by turns, in order of start
     */
    private static function firm(array $busy): array
    {
        $pairs = [];
        foreach ($busy as $one) {
            if ($one->kind !== BusyKind::Tentative) {
                $pairs[] = $one->interval->start;
                $pairs[] = $one->interval->end;
            }
        }

        return $pairs;
    }

    /**
     * @param  array<string, KnownCalendar>  $calendars
     * @param  array<string, list<Busy>>  $busy
     * @param  array<string, list<Busy>>  $elsewhere
     * @param  array<string, array<int, true>>  $leftOut
     * @return list<Participant>
     */
    private function participants(Sheet $sheet, IntervalSet $windows, array $calendars, array $busy, array $elsewhere, array $leftOut): array
    {
        $lives = $this->lives->of(array_column($sheet->attendees, 'personId'));
        $known = $this->calendars->known($lives, $calendars);
        $away = $this->absences->of(array_map(static fn(Life $life): ?string => $life->home, $lives), $windows);
        $participants = [];
        foreach ($sheet->attendees as ['personId' => $id, 'role' => $role]) {
            $life = $lives[$id] ?? null;
            if ($life !== null) {
                $others = isset($away[$id]) || isset($elsewhere[$id]) ? [...$away[$id] ?? [], ...$elsewhere[$id] ?? []] : [];
                $participants[] = new Participant($id, $role === AttendeeRole::Required, $id === $sheet->hostId, $life->zone, $life->hours, $known[$id], self::inOrder($busy[$id] ?? [], $others), $leftOut[$id] ?? [], $life->quiet);
            }
        }

        return $participants;
    }

    /**
     * @param  list<string>  $ids
     * @param  array<string, KnownCalendar>  $calendars
     * @return list<string> those who have one
     */
    private static function among(array $ids, array $calendars): array
    {
        return array_values(array_filter($ids, static fn(string $id): bool => isset($calendars[$id])));
    }

    /** @return list<string> people */
    private static function required(Sheet $sheet): array
    {
        return array_column(array_filter($sheet->attendees, static fn(array $a): bool => $a['role'] === AttendeeRole::Required), 'personId');
    }

    /** @return list<array{list<string>, IntervalSet}> ids, and the windows in which they are looked at */
    private static function byWindows(Sheet $sheet, IntervalSet $ofRequired, IntervalSet $ofOptional): array
    {
        if ($ofRequired->intervals == $ofOptional->intervals) {
            return [[array_column($sheet->attendees, 'personId'), $ofRequired]];
        }
        $required = self::required($sheet);

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
