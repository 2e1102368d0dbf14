<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

use Syndex\Core\Time\BareStretches;
use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\IntervalSet;

/** Counts, for every start at once, what it costs over all dates. */
final readonly class StartCounter
{
    public function __construct(private SearchGround $ground) {}

    public function count(): StartCounts
    {
        $seconds = $this->ground->seconds;
        $counts = new StartCounts($this->ground->count, count($this->ground->people));
        // What is only added up need not be told apart by date.
        $optional = new Tally($this->ground->count);
        $inHours = new Tally($this->ground->count);
        $unwished = new Tally($this->ground->count);
        foreach ($this->ground->grids as $index => $grid) {
            $reach = $grid->reach($seconds, $this->ground->wishes->pauseMinutes * 60);
            $busy = new Tally($this->ground->count);
            $who = new Tally($this->ground->count);
            foreach ($this->ground->taken as $place => $taken) {
                if ($this->ground->isAsked($place, $index)) {
                    $ranges = $grid->touching($taken, $seconds);
                    $busy->add($ranges);
                    $who->add($ranges, $place + 1);
                    $this->countUnwished($unwished, $grid, $this->ground->people[$place], $taken, $ranges);
                }
            }
            foreach ($this->ground->optional as $place => $taken) {
                if ($this->ground->isAsked($place, $index)) {
                    $optional->add($grid->touching($taken, $seconds));
                }
            }
            foreach ($this->ground->requiredOn[$index] as $group => $required) {
                if ($required > 0) {
                    $inHours->add($grid->within(BareStretches::ofSet($this->ground->hours[$index][$group]), $seconds), $required);
                    $example = $this->ground->crowd->examples[$group];
                    $quiet = $this->ground->quiet($example);
                    if ($quiet !== null && $example->zone !== null) {
                        $unwished->add($grid->touching(BareStretches::ofSet($quiet->within($reach, $example->zone)), $seconds), $required);
                    }
                }
            }
            if ($this->ground->wishes->notBefore !== null) {
                $unwished->add($grid->touching(BareStretches::of([$grid->reach(0)->start - $seconds], [$this->ground->wishes->notBefore]), 1), array_sum($this->ground->requiredOn[$index]));
            }
            $counts->add($busy->values(), $who->values());
        }
        $counts->total($optional->values(), $inHours->values(), $unwished->values(), array_sum(array_map(array_sum(...), $this->ground->requiredOn)));

        return $counts;
    }

    /** @return list<int> the starts at which nobody required is busy on any date, if it lasted only so long */
    public function holding(int $seconds): array
    {
        $busy = new Tally($this->ground->count);
        foreach ($this->ground->grids as $index => $grid) {
            foreach ($this->ground->taken as $place => $taken) {
                if ($this->ground->isAsked($place, $index)) {
                    $busy->add($grid->touching($taken, $seconds));
                }
            }
        }

        return array_keys($busy->values(), 0, true);
    }

    /**
     * @param  list<int>  $taken
     * @param  list<int>  $ranges  at which they are busy
     */
    private function countUnwished(Tally $unwished, StartGrid $grid, Participant $person, array $taken, array $ranges): void
    {
        $pause = $this->ground->wishes->pauseMinutes * 60;
        if ($pause > 0) {
            // Near something, and not in it.
            $unwished->add($grid->touching(BareStretches::widened($taken, $pause), $this->ground->seconds));
            $unwished->add($ranges, -1);
        }
        if ($this->ground->wishes->mostADay !== null && $person->zone !== null) {
            $unwished->add($grid->within(BareStretches::ofSet(self::fullDays($person, $grid->reach($this->ground->seconds), $this->ground->wishes->mostADay)), $this->ground->seconds));
        }
    }

    /** The days, on the person's own clock, on which one meeting more would be too many. What touches is not one meeting. */
    public static function fullDays(Participant $person, Interval $reach, int $most): IntervalSet
    {
        $zone = $person->zone;
        if ($zone === null) {
            return IntervalSet::of([]);
        }
        $counts = [];
        foreach ($person->busyDuring(Interval::between($reach->start - 86400, $reach->end + 86400)) as $busy) {
            $day = Gregorian::floorDiv($zone->toWall($busy->interval->start), 86400);
            $counts[$day] = ($counts[$day] ?? 0) + ($busy->kind === BusyKind::Busy ? 1 : 0);
        }

        return IntervalSet::of(array_map(static fn(int $day): Interval => Interval::between($zone->toUtc($day * 86400), $zone->toUtc(($day + 1) * 86400)), array_keys(array_filter($counts, static fn(int $count): bool => $count >= $most))));
    }

    /**
     * @param  list<int>  $numbers  ascending
     * @return array<int, int> of each, by place in the list: minutes that everybody sits outside their hours, over all dates
     */
    public function offMinutes(array $numbers): array
    {
        $outside = array_fill(0, count($numbers), 0);
        foreach ($numbers === [] ? [] : $this->ground->grids as $index => $grid) {
            $starts = array_map(static fn(int $number): int => $grid->starts[$number], $numbers);
            // Where a clock is set back the numbers do not ascend as the moments do.
            asort($starts);
            foreach ($this->ground->crowd->examples as $group => $person) {
                foreach ($person->zone === null ? [] : array_combine(array_keys($starts), HoursSweep::outsideOf($this->ground->hours[$index][$group], array_values($starts), $this->ground->seconds)) as $at => $one) {
                    $outside[$at] += $one * $this->ground->sizesOn[$index][$group];
                }
            }
        }

        return array_map(static fn(int $all): int => intdiv($all, 60), $outside);
    }
}
