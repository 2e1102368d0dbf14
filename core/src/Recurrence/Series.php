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

    /**
     * All-day or timed, as is said.
     *
     * @param  ?Zone  $zone  of no meaning to a day without a clock
     * @param  list<WallTime>  $extra
     * @param  list<WallTime>  $dropped
     *
     * @throws InvalidRule if the rule repeats within a day and there are no times
     */
    public static function of(bool $allDay, WallTime $start, ?Zone $zone, ?Rule $rule = null, array $extra = [], array $dropped = []): self
    {
        return $allDay ? self::allDay($start, $rule, $extra, $dropped) : self::timed($start, $zone, $rule, $extra, $dropped);
    }

    /**
     * Other dates on the same clock.
     *
     * @param  list<WallTime>  $extra
     * @param  list<WallTime>  $dropped
     */
    public function withDates(WallTime $start, ?Rule $rule, array $extra = [], array $dropped = []): self
    {
        return self::of($this->allDay, $start, $this->zone, $rule, $extra, $dropped);
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
        $dates = new DateCollector($from->seconds ?? PHP_INT_MIN, $to->seconds ?? PHP_INT_MAX, array_map(fn(WallTime $w): int => $this->moment($w->seconds), $this->dropped));
        foreach ($this->rule === null ? [$this->start, ...$this->extra] : $this->extra as $wall) {
            $dates->addSingle($this->moment($wall->seconds), $wall->seconds);
        }
        if ($this->rule !== null) {
            $this->walk($this->rule, $work, $dates, $limit);
        }

        return $dates->expansion($limit);
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

    /**
     * The same series begun on the first day from its start on that its rule names, from which its intervals count: who begins
     * "every second Wednesday" on a Friday means the next Wednesday, not the one after.
     *
     * @throws NoDates if the rule produces none
     */
    public function begunAsNamed(Work $work): self
    {
        if ($this->rule === null || $this->rule->interval === 1) {
            return $this->startedOnRule($work);
        }
        $isOnRule = $this->startedOnRule($work)->start->seconds === $this->start->seconds;

        return $isOnRule ? $this : $this->withStart($this->withRule($this->rule->with(interval: 1))->startedOnRule($work)->start);
    }

    /** The moment of a wall time of this series. */
    public function moment(int $wall): int
    {
        return $this->zone === null ? $wall : $this->zone->toUtc($wall);
    }

    private function walk(Rule $rule, Work $work, DateCollector $dates, int $limit): void
    {
        $walk = new RuleWalk($rule, $this->start, $work);
        $lastOfCount = $rule->count === null ? null : $walk->nth($rule->count, $this->zone);
        $left = $rule->count === null || $lastOfCount !== null ? PHP_INT_MAX : $rule->count;
        $lastMoment = $rule->until?->lastMoment($this->zone) ?? PHP_INT_MAX;
        $lastWall = min($rule->until?->lastWall($this->zone) ?? PHP_INT_MAX, $lastOfCount ?? PHP_INT_MAX, $dates->to === PHP_INT_MAX ? PHP_INT_MAX : $dates->to + 2 * 86400);
        $from = $left !== PHP_INT_MAX || $dates->from === PHP_INT_MIN ? $this->start->seconds : $dates->from - 2 * 86400;
        foreach ($walk->from($from) as $walls) {
            $isLast = $walls[count($walls) - 1] > $lastWall;
            if ($isLast) {
                $walls = array_values(array_filter($walls, static fn(int $wall): bool => $wall <= $lastWall));
            }
            if ($walls !== []) {
                [$moments, $skips] = $this->zone === null ? [$walls, false] : $this->zone->toUtcAll($walls);
                $left -= $dates->addByRule($moments, $walls, $skips, $left, $lastMoment);
            }
            if ($isLast || $left <= 0 || $dates->isPast($limit)) {
                return;
            }
        }
    }

    /** The rule as text to the letter of RFC 5545 3.3.10: UNTIL in the form that the start asks for. */
    public function ruleText(): ?string
    {
        $until = $this->rule?->until?->beside($this->allDay, $this->zone === null, $this->zone);

        return $until === null ? $this->rule?->toText() : $this->rule->withUntil($until)->toText();
    }
}
