<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

use Syndex\Core\Time\BareStretches;
use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\Interval;

/** Tells of a time who is busy on which date, what would help, and whom it costs what. */
final class TimeTeller
{
    /** Of so many dates that clash it is told who is busy, and of so many what would help. */
    private const TOLD = 12;

    private const WAYS = 3;

    /** @var ?array<int, int> on how many dates the required are busy now, by their place */
    private ?array $busyNow = null;

    public function __construct(private readonly SearchGround $ground) {}

    /** How the present time does, counted as the others are. */
    public function present(): FoundTime
    {
        $slots = $this->ground->present();
        $hits = $this->hits($slots);
        $burden = $this->burden($slots);
        $off = 0;
        foreach ($this->ground->people as $person) {
            $off += $person->required ? $burden[$person->id][1] : 0;
        }

        return new FoundTime(
            0,
            $this->ground->plan->dates->walls[0],
            count($hits),
            $off,
            $this->optionalBusyAt($slots),
            $this->minutesOf($slots),
            $this->unwishedAt($slots),
            $this->clashes($hits, $slots),
            $this->perhapsAt($slots),
            [],
            $burden,
            $this->noPause($slots),
            $this->shorterTo($hits, $slots),
        );
    }

    /** The same time with all that is told of it. */
    public function told(FoundTime $time, FoundTime $present): FoundTime
    {
        $slots = $this->ground->movedBy($time->shiftMinutes);
        $hits = $this->hits($slots);
        $burden = $this->burden($slots);
        $nowBusy = $this->busyNow ??= array_count_values(array_merge([], ...array_values($this->hits($this->ground->present()))));
        $thenBusy = array_count_values(array_merge([], ...array_values($hits)));
        $worse = [];
        foreach ($this->ground->people as $place => $person) {
            if ($person->required && (($thenBusy[$place] ?? 0) > ($nowBusy[$place] ?? 0) || $burden[$person->id][1] > $present->burden[$person->id][1])) {
                $worse[] = $person->id;
            }
        }

        return new FoundTime($time->shiftMinutes, $time->wall, $time->clashDates, $time->offHours, $time->optionalBusy, $time->offMinutes, $time->unwished, $this->clashes($hits, $slots), $this->perhapsAt($slots), $worse, $burden, $this->noPause($slots), $this->shorterTo($hits, $slots));
    }

    /**
     * @param  list<Interval>  $slots  one for each date
     * @return array<int, list<int>> places of the required people who are asked and busy, in their order, by place of the date
     */
    private function hits(array $slots): array
    {
        $hits = [];
        foreach ($slots as $index => $slot) {
            foreach ($this->ground->taken as $place => $taken) {
                if (BareStretches::overlap($taken, $slot->start, $slot->end) && $this->ground->isAsked($place, $index)) {
                    $hits[$index][] = $place;
                }
            }
        }

        return $hits;
    }

    /**
     * @param  list<Interval>  $slots  one for each date
     * @return int how often somebody optional who is asked is busy
     */
    private function optionalBusyAt(array $slots): int
    {
        $times = 0;
        foreach ($this->ground->optional as $place => $taken) {
            foreach ($slots as $index => $slot) {
                $times += BareStretches::overlap($taken, $slot->start, $slot->end) && $this->ground->isAsked($place, $index) ? 1 : 0;
            }
        }

        return $times;
    }

    /**
     * @param  list<Interval>  $slots
     * @return array<string, array{int, int}> of each person: dates at night, dates outside hours
     */
    private function burden(array $slots): array
    {
        $of = [];
        foreach ($this->ground->crowd->examples as $group => $person) {
            $of[] = $this->offHours($group, $person, $slots);
        }
        $burden = [];
        foreach ($this->ground->people as $place => $person) {
            $group = $this->ground->crowd->groupOf[$place];
            $burden[$person->id] = $person->leftOut === [] ? $of[$group] : $this->offHours($group, $person, $this->ground->slotsOf($place, $slots));
        }

        return $burden;
    }

    /**
     * @param  array<int, Interval>  $slots  by place of the date
     * @return array{int, int} dates at night, dates outside hours
     */
    private function offHours(int $group, Participant $person, array $slots): array
    {
        $zone = $person->zone;
        if ($zone === null || $this->ground->plan->series->allDay) {
            return [0, 0];
        }
        $nights = $outside = 0;
        foreach ($slots as $index => $slot) {
            if (!$this->ground->hours[$index][$group]->covers($slot)) {
                $outside++;
                $nights += Daylight::outside($slot, $person->hours, $zone) === Light::Night ? 1 : 0;
            }
        }

        return [$nights, $outside];
    }

    /**
     * @param  array<int, list<int>>  $hits
     * @param  list<Interval>  $slots
     * @return array<int, DateClash>
     */
    private function clashes(array $hits, array $slots): array
    {
        $clashes = [];
        foreach (array_slice($hits, 0, self::TOLD, true) as $index => $places) {
            $slot = $slots[$index];
            $from = count($places) === 1 ? self::freeFrom($this->ground->taken[$places[0]], $slot) : null;
            $clashes[$index] = new DateClash(
                array_map(fn(int $place): string => $this->ground->people[$place]->id, $places),
                array_values(array_map(fn(int $place): string => $this->ground->people[$place]->id, array_filter($places, fn(int $place): bool => $this->isAway($place, $slot)))),
                $this->ground->plan->anchor->toWall($slot->start),
                count($clashes) < self::WAYS ? $this->nearest($index, $slot->start) : null,
                $from === null ? null : $this->ground->plan->anchor->toWall($from),
            );
        }

        return $clashes;
    }

    /**
     * @param  list<int>  $taken
     * @return ?int the moment within a slot from which on somebody is free to its end
     */
    private static function freeFrom(array $taken, Interval $slot): ?int
    {
        $at = BareStretches::firstEndingAfter($taken, $slot->start);
        $end = $taken[$at + 1] ?? $slot->end;

        return $end >= $slot->end || (isset($taken[$at + 2]) && $taken[$at + 2] < $slot->end) ? null : $end;
    }

    private function isAway(int $place, Interval $slot): bool
    {
        return array_filter($this->ground->people[$place]->busyDuring($slot), static fn(Busy $b): bool => $b->kind === BusyKind::Away) !== [];
    }

    /** The start on the same day of the anchor's clock nearest to a moment at which everybody required is free, in their hours if there is one. */
    private function nearest(int $index, int $at): ?int
    {
        $anchor = $this->ground->plan->anchor;
        $day = Gregorian::floorDiv($anchor->toWall($at), 86400);
        $grid = StartGrid::of($anchor, $day * 86400, SearchGround::STEP, SearchGround::A_DAY);
        $busy = new Tally(SearchGround::A_DAY);
        $inHours = new Tally(SearchGround::A_DAY);
        foreach ($this->ground->taken as $place => $taken) {
            if ($this->ground->isAsked($place, $index)) {
                $busy->add($grid->touching($taken, $this->ground->seconds));
            }
        }
        foreach ($this->ground->requiredOn[$index] as $group => $required) {
            $inHours->add($grid->within(BareStretches::ofSet($this->ground->hours[$index][$group]), $this->ground->seconds), $required);
        }
        $best = null;
        $in = $inHours->values();
        foreach ($busy->values() as $number => $count) {
            $rank = [-$in[$number], abs($grid->starts[$number] - $at), $number];
            if ($count === 0 && ($best === null || $rank < $best)) {
                $best = $rank;
            }
        }

        return $best === null ? null : $anchor->toWall($grid->starts[$best[2]]);
    }

    /**
     * @param  array<int, list<int>>  $hits
     * @param  list<Interval>  $slots
     * @return ?int minutes, a multiple of five and 15 at least, for which nobody required is busy on any date
     */
    private function shorterTo(array $hits, array $slots): ?int
    {
        $free = $this->ground->seconds;
        foreach ($hits as $index => $places) {
            foreach ($places as $place) {
                $taken = $this->ground->taken[$place];
                $free = min($free, max(0, $taken[BareStretches::firstEndingAfter($taken, $slots[$index]->start)] - $slots[$index]->start));
            }
        }
        $minutes = intdiv($free, 300) * 5;

        return $hits === [] || $minutes < 15 ? null : $minutes;
    }

    /**
     * @param  list<Interval>  $slots
     * @return array<string, int>
     */
    private function perhapsAt(array $slots): array
    {
        $perhaps = [];
        foreach ($this->ground->perhaps as $place => $maybe) {
            $dates = count(array_filter($this->ground->slotsOf($place, $slots), $maybe->overlaps(...)));
            if ($dates > 0) {
                $perhaps[$this->ground->people[$place]->id] = $dates;
            }
        }

        return $perhaps;
    }

    /**
     * @param  list<Interval>  $slots
     * @return array<string, int>
     */
    private function noPause(array $slots): array
    {
        $pause = $this->ground->wishes->pauseMinutes * 60;
        $without = [];
        foreach ($pause === 0 ? [] : $this->ground->taken as $place => $taken) {
            $dates = count(array_filter($this->ground->slotsOf($place, $slots), static fn(Interval $s): bool => !BareStretches::overlap($taken, $s->start, $s->end) && BareStretches::overlap($taken, $s->start - $pause, $s->end + $pause)));
            if ($dates > 0) {
                $without[$this->ground->people[$place]->id] = $dates;
            }
        }

        return $without;
    }

    /** @param list<Interval> $slots */
    private function minutesOf(array $slots): int
    {
        $outside = 0;
        foreach ($this->ground->plan->series->allDay ? [] : $slots as $index => $slot) {
            foreach ($this->ground->crowd->examples as $group => $person) {
                $outside += $person->zone === null ? 0 : HoursSweep::outsideOf($this->ground->hours[$index][$group], [$slot->start], $this->ground->seconds)[0] * $this->ground->sizesOn[$index][$group];
            }
        }

        return intdiv($outside, 60);
    }

    /**
     * What {@see count} counts of one start, of a time that need not be on the grid.
     *
     * @param  list<Interval>  $slots
     */
    private function unwishedAt(array $slots): int
    {
        $unwished = array_sum($this->noPause($slots));
        $wishes = $this->ground->wishes;
        $reaches = array_map(fn(StartGrid $grid): Interval => $grid->reach($this->ground->seconds, $wishes->pauseMinutes * 60), $this->ground->grids);
        foreach (array_keys($this->ground->taken) as $place) {
            $person = $this->ground->people[$place];
            $quiet = $person->zone === null ? null : $this->ground->quiet($person);
            foreach ($this->ground->slotsOf($place, $slots) as $index => $slot) {
                $unwished += $wishes->notBefore !== null && $slot->start < $wishes->notBefore ? 1 : 0;
                $unwished += $quiet !== null && $quiet->within($reaches[$index], $person->zone)->overlaps($slot) ? 1 : 0;
                $unwished += $wishes->mostADay !== null && StartCounter::fullDays($person, $reaches[$index], $wishes->mostADay)->covers($slot) ? 1 : 0;
            }
        }

        return $unwished;
    }
}
