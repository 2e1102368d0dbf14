<?php

declare(strict_types=1);

namespace Syndex\Core\Recurrence;

/**
 * Gathers the dates of a series within a window: those of the rule in order, a list at a time, and single ones.
 *
 * Two dates at one moment count once. That can only be where a wall time is skipped, or with single dates: only then are
 * they held against each other.
 */
final class DateCollector
{
    /** @var list<int> */
    private array $moments = [];

    /** @var list<int> */
    private array $walls = [];

    /** @var array<int, int> wall time by moment */
    private array $single = [];

    /** @var array<int, true> */
    private readonly array $dropped;

    /** Moments may not ascend, or come twice. */
    private bool $isMixed = false;

    /** @var array<int, true> moments of skipped wall times, which an unskipped one may meet */
    private array $skipped = [];

    private int $lastSkipped = PHP_INT_MIN;

    /** @param list<int> $dropped moments */
    public function __construct(public readonly int $from, public readonly int $to, array $dropped)
    {
        $this->dropped = array_fill_keys($dropped, true);
    }

    public function addSingle(int $moment, int $wall): void
    {
        if ($moment >= $this->from && $moment < $this->to && !isset($this->dropped[$moment])) {
            $this->single[$moment] ??= $wall;
        }
    }

    /**
     * @param  non-empty-list<int>  $moments
     * @param  non-empty-list<int>  $walls  of the same dates
     * @param  bool  $skips  whether any of the wall times is skipped
     * @param  int  $most  so many more may be counted
     * @param  int  $last  no moment past it counts
     * @return int how many were counted, within the window or not
     */
    public function addByRule(array $moments, array $walls, bool $skips, int $most, int $last): int
    {
        $count = count($moments);
        if (!$skips && $moments[0] > $this->lastSkipped) {
            if ($count > $most) {
                $moments = array_slice($moments, 0, $most);
                $walls = array_slice($walls, 0, $most);
                $count = $most;
            }
            if ($this->dropped === [] && $moments[0] >= $this->from && $moments[$count - 1] < $this->to && $moments[$count - 1] <= $last) {
                if ($this->moments === []) {
                    [$this->moments, $this->walls] = [$moments, $walls];
                } else {
                    array_push($this->moments, ...$moments);
                    array_push($this->walls, ...$walls);
                }

                return $count;
            }

            foreach ($moments as $at => $moment) {
                $this->add($moment, $walls[$at], $last);
            }

            return $count;
        }

        return $this->addMixed($moments, $walls, $most, $last);
    }

    /** Whether more than so many dates are there, none of which a later one can displace. */
    public function isPast(int $limit): bool
    {
        return count($this->moments) > $limit + ($this->isMixed ? count($this->skipped) : 0);
    }

    public function expansion(int $limit): Expansion
    {
        if ($this->single !== [] || $this->isMixed) {
            $found = $this->single;
            foreach ($this->moments as $at => $moment) {
                $found[$moment] ??= $this->walls[$at];
            }
            ksort($found);
            [$this->moments, $this->walls] = [array_keys($found), array_values($found)];
        }
        $complete = count($this->moments) <= $limit;

        return $complete
            ? new Expansion($this->moments, $this->walls, true)
            : new Expansion(array_slice($this->moments, 0, $limit), array_slice($this->walls, 0, $limit), false);
    }

    private function add(int $moment, int $wall, int $last): void
    {
        if ($moment >= $this->from && $moment < $this->to && $moment <= $last && !isset($this->dropped[$moment])) {
            $this->moments[] = $moment;
            $this->walls[] = $wall;
        }
    }

    /**
     * @param  list<int>  $moments
     * @param  list<int>  $walls
     */
    private function addMixed(array $moments, array $walls, int $most, int $last): int
    {
        $this->isMixed = true;
        $counted = 0;
        foreach ($moments as $at => $moment) {
            if (isset($this->skipped[$moment])) {
                continue;
            }
            if ($counted === $most) {
                break;
            }
            // Within this list a moment that comes again can only have been a skipped wall time's.
            $this->skipped[$moment] = true;
            $counted++;
            $this->add($moment, $walls[$at], $last);
        }
        $this->lastSkipped = max($this->lastSkipped, ...$moments);

        return $counted;
    }
}
