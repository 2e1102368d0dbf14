<?php

declare(strict_types=1);

namespace Syndex\Core\Recurrence;

use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Work;

/**
 * Which times of a day a rule of hours, minutes or seconds selects.
 *
 * Its periods lie a whole number of steps after DTSTART's own. On one day they depend only on how far into the day the first
 * of them falls, so that a day's times are worked out once for each such offset.
 */
final class ClockPattern
{
    /** So many days' times are kept at once. */
    private const KEPT = 500;

    private readonly int $size;

    private readonly int $step;

    private readonly int $base;

    /** @var array<int, list<int>> */
    private array $known = [];

    public function __construct(private readonly Rule $rule, private readonly WallTime $start, private readonly Work $work)
    {
        $this->size = (int) $rule->frequency->secondsBelowADay();
        $this->step = $this->size * $rule->interval;
        $this->base = $start->seconds - Gregorian::floorMod($start->seconds, $this->size);
    }

    /** Seconds from one date to the next where no BY part stands in between; null where one does. */
    public function plainStep(): ?int
    {
        $rule = $this->rule;

        return $rule->hours === [] && $rule->minutes === [] && $rule->seconds === [] && $rule->days === [] && $rule->monthDays === [] && $rule->yearDays === [] && $rule->months === []
            ? $this->step
            : null;
    }

    /**
     * Seconds of a day at which its dates begin.
     *
     * @return list<int> ascending
     */
    public function ofDay(int $day): array
    {
        $first = $this->base >= $day * 86400 ? $this->base - $day * 86400 : Gregorian::floorMod($this->base - $day * 86400, $this->step);
        if ($first >= 86400) {
            return [];
        }
        if ($this->base > $day * 86400) {
            return $this->workOut($first);
        }
        if (count($this->known) > self::KEPT) {
            $this->known = [];
        }

        return $this->known[$first] ??= $this->workOut($first);
    }

    /** Whether there is no day on which any time is selected. */
    public function isEmpty(): bool
    {
        $common = self::common($this->step, 86400);
        for ($first = Gregorian::floorMod($this->base, $common); $first < min(86400, $this->step); $first += $common) {
            if ($this->workOut($first) !== []) {
                return false;
            }
        }

        return true;
    }

    /** @return list<int> */
    private function workOut(int $first): array
    {
        $rule = $this->rule;
        $bySteps = intdiv(86399 - $first, $this->step) + 1;
        $byParts = ($rule->hours === [] ? 24 : count($rule->hours)) * ($this->size === 3600 ? 1 : ($rule->minutes === [] ? 60 : count($rule->minutes)) * ($this->size === 60 ? 1 : ($rule->seconds === [] ? 60 : count($rule->seconds))));
        $this->work->spend(1 + (min($bySteps, $byParts) >> 1));
        $times = [];
        foreach ($bySteps <= $byParts ? RuleWalk::steps($first, 86399, $this->step) : $this->named() as $at) {
            if ($at >= $first && ($at - $first) % $this->step === 0 && $this->takes($at)) {
                foreach ($this->withinPeriod($at) as $time) {
                    $times[] = $time;
                }
            }
        }

        return $times;
    }

    /** @return \Generator<int> the periods of a day that BYHOUR, BYMINUTE and BYSECOND name */
    private function named(): \Generator
    {
        foreach ($this->rule->hours === [] ? range(0, 23) : $this->rule->hours as $hour) {
            foreach ($this->size === 3600 ? [0] : ($this->rule->minutes === [] ? range(0, 59) : $this->rule->minutes) as $minute) {
                foreach ($this->size > 1 ? [0] : ($this->rule->seconds === [] ? range(0, 59) : $this->rule->seconds) as $second) {
                    if ($second < 60) {
                        yield $hour * 3600 + $minute * 60 + $second;
                    }
                }
            }
        }
    }

    private function takes(int $at): bool
    {
        return ($this->rule->hours === [] || in_array(intdiv($at, 3600), $this->rule->hours, true))
            && ($this->size === 3600 || $this->rule->minutes === [] || in_array(intdiv($at, 60) % 60, $this->rule->minutes, true))
            && ($this->size > 1 || $this->rule->seconds === [] || in_array($at % 60, $this->rule->seconds, true));
    }

    /** @return list<int> the dates within one period, those that BYSETPOS picks */
    private function withinPeriod(int $at): array
    {
        if ($this->size === 1) {
            return Positions::pick([$at], $this->rule->positions);
        }
        $seconds = $this->rule->seconds === [] ? [$this->start->secondOfDay() % 60] : array_values(array_filter($this->rule->seconds, static fn(int $s): bool => $s < 60));
        $times = [];
        foreach ($this->size === 60 ? [0] : ($this->rule->minutes === [] ? [intdiv($this->start->secondOfDay(), 60) % 60] : $this->rule->minutes) as $minute) {
            foreach ($seconds as $second) {
                $times[] = $at + $minute * 60 + $second;
            }
        }

        return Positions::pick($times, $this->rule->positions);
    }

    /** Greatest common divisor. */
    private static function common(int $a, int $b): int
    {
        while ($b !== 0) {
            [$a, $b] = [$b, $a % $b];
        }

        return $a;
    }
}
