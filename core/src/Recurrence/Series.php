<?php

declare(strict_types=1);

namespace Syndex\Core\Recurrence;

use Syndex\Core\Time\Instant;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\Zone;
use Syndex\Core\Work;

/**
 * A meeting's dates: a start on the wall clock of its anchor zone, a rule, extra dates and dates taken away.
 *
 * Without a zone the series is floating; an all-day series is one too, its dates being midnights as if at UTC.
 */
final readonly class Series
{
    /** No question is answered with more dates than this. */
    public const MOST = 20000;

    /**
     * @param  list<WallTime>  $extra  RDATE
     * @param  list<WallTime>  $dropped  EXDATE
     */
    private function __construct(
        public WallTime $start,
        public ?Zone $zone,
        public bool $allDay,
        public ?Rule $rule,
        public array $extra,
        public array $dropped,
    ) {}

    /**
     * @param  list<WallTime>  $extra
     * @param  list<WallTime>  $dropped
     */
    public static function timed(WallTime $start, ?Zone $zone, ?Rule $rule = null, array $extra = [], array $dropped = []): self
    {
        return new self($start, $zone, false, $rule, $extra, $dropped);
    }

    /**
     * BYHOUR, BYMINUTE and BYSECOND are ignored, as RFC 5545 3.3.10 asks for dates.
     *
     * @param  list<WallTime>  $extra
     * @param  list<WallTime>  $dropped
     *
     * @throws InvalidRule if the rule repeats within a day
     */
    public static function allDay(WallTime $start, ?Rule $rule = null, array $extra = [], array $dropped = []): self
    {
        if ($rule?->frequency->secondsBelowADay() !== null) {
            throw InvalidRule::badPart('FREQ', $rule->frequency->value, 'a period of a day or more for a date without a time');
        }
        if ($rule !== null && ($rule->hours !== [] || $rule->minutes !== [] || $rule->seconds !== [])) {
            $rule = $rule->withoutTimesOfDay();
        }

        return new self($start, null, true, $rule, $extra, $dropped);
    }

    public function withStart(WallTime $start): self
    {
        return new self($start, $this->zone, $this->allDay, $this->rule, $this->extra, $this->dropped);
    }

    public function withRule(?Rule $rule): self
    {
        return new self($this->start, $this->zone, $this->allDay, $rule, $this->extra, $this->dropped);
    }

    public function isRepeated(): bool
    {
        return $this->rule !== null || $this->extra !== [];
    }

    /**
     * The dates whose start lies in [$from, $to).
     *
     * Two dates at one instant count once, for COUNT too. EXDATE takes away what COUNT has counted.
     *
     * @param  int<1, max>  $limit
     */
    public function expand(Work $work, ?Instant $from = null, ?Instant $to = null, int $limit = self::MOST): Expansion
    {
        $limit = min($limit, self::MOST);
        [$least, $end] = [$from->seconds ?? PHP_INT_MIN, $to->seconds ?? PHP_INT_MAX];
        $dropped = [];
        foreach ($this->dropped as $wall) {
            $dropped[$this->moment($wall->seconds)] = true;
        }
        $found = [];
        foreach ($this->rule === null ? [$this->start, ...$this->extra] : $this->extra as $wall) {
            $moment = $this->moment($wall->seconds);
            if ($moment >= $least && $moment < $end && !isset($dropped[$moment])) {
                $found[$moment] ??= $wall->seconds;
            }
        }
        if ($this->rule !== null) {
            $found = $this->rule->count === null
                ? $this->walkOpen($this->rule, $work, $found, $dropped, $least, $end, $limit)
                : $this->walkCounted($this->rule, $work, $found, $dropped, $least, $end, $limit);
        }
        ksort($found);
        $complete = count($found) <= $limit;
        if (!$complete) {
            $found = array_slice($found, 0, $limit, true);
        }

        return new Expansion(array_keys($found), array_values($found), $complete);
    }

    /**
     * The same series begun on the first date that its rule produces, so that no reader takes DTSTART for one more date.
     *
     * @throws NoDates if the rule produces none
     */
    public function startedOnRule(Work $work): self
    {
        if ($this->rule === null) {
            return $this;
        }
        foreach ((new RuleWalk($this->rule, $this->start, $work))->from($this->start->seconds) as $walls) {
            return $walls[0] === $this->start->seconds ? $this : $this->withStart(WallTime::ofSeconds($walls[0]));
        }

        throw NoDates::of($this->rule);
    }

    /** The moment of a wall time of this series. */
    public function moment(int $wall): int
    {
        return $this->zone === null ? $wall : $this->zone->toUtc($wall);
    }

    /**
     * @param  array<int, int>  $found
     * @param  array<int, true>  $dropped
     * @return array<int, int> wall times by moment
     */
    private function walkOpen(Rule $rule, Work $work, array $found, array $dropped, int $least, int $end, int $limit): array
    {
        $lastMoment = $rule->until?->lastMoment($this->zone) ?? PHP_INT_MAX;
        $lastWall = min($rule->until?->lastWall($this->zone) ?? PHP_INT_MAX, $end === PHP_INT_MAX ? PHP_INT_MAX : $end + 2 * 86400);
        $last = PHP_INT_MIN;
        $byRule = 0;
        $walk = new RuleWalk($rule, $this->start, $work);
        foreach ($walk->from($least === PHP_INT_MIN ? $this->start->seconds : $least - 2 * 86400) as $walls) {
            foreach ($walls as $wall) {
                if ($wall > $lastWall) {
                    return $found;
                }
                $moment = $this->moment($wall);
                if ($moment > $lastMoment || $moment < $least || $moment >= $end || isset($dropped[$moment])) {
                    continue;
                }
                if ($byRule > $limit && $moment > $last && !$this->isShifted($wall)) {
                    return $found;
                }
                if (!isset($found[$moment])) {
                    $found[$moment] = $wall;
                    $byRule++;
                    $last = max($last, $moment);
                }
            }
        }

        return $found;
    }

    /**
     * @param  array<int, int>  $found
     * @param  array<int, true>  $dropped
     * @return array<int, int> wall times by moment
     */
    private function walkCounted(Rule $rule, Work $work, array $found, array $dropped, int $least, int $end, int $limit): array
    {
        $left = $rule->count ?? 0;
        $shifted = [];
        $byRule = 0;
        foreach ((new RuleWalk($rule, $this->start, $work))->from($this->start->seconds) as $walls) {
            foreach ($walls as $wall) {
                if ($left === 0 || ($byRule > $limit && !$this->isShifted($wall)) || ($end !== PHP_INT_MAX && $wall > $end + 2 * 86400)) {
                    return $found;
                }
                $moment = $this->moment($wall);
                if ($this->isShifted($wall)) {
                    $shifted[$moment] = true;
                } elseif (isset($shifted[$moment])) {
                    continue;
                }
                $left--;
                if ($moment >= $least && $moment < $end && !isset($dropped[$moment]) && !isset($found[$moment])) {
                    $found[$moment] = $wall;
                    $byRule++;
                }
            }
        }

        return $found;
    }

    private function isShifted(int $wall): bool
    {
        return $this->zone !== null && $this->zone->skips($wall);
    }
}
