<?php

declare(strict_types=1);

namespace Syndex\Core\Recurrence;

use Syndex\Core\Time\WallTime;

/**
 * Which of a series' added dates stand in for which of its dropped ones: "the 9th is on the 10th instead". To the series alone
 * they are a date dropped and a date added; calendars are told of a date with RECURRENCE-ID (RFC 5545 3.8.4.4).
 */
final readonly class MovedDates
{
    /** @param array<int, int> $moves wall times in seconds: from the date that the rule names to the one on which it is */
    private function __construct(private array $moves) {}

    public static function none(): self
    {
        return new self([]);
    }

    /** @param list<array{WallTime, WallTime}> $pairs from, to; a date that comes twice counts as it comes last */
    public static function of(array $pairs): self
    {
        $moves = [];
        foreach ($pairs as [$from, $to]) {
            $moves[$from->seconds] = $to->seconds;
        }
        ksort($moves);

        return new self($moves);
    }

    /** A date was moved: one by the rule, or one that had been moved before. */
    public function with(WallTime $from, WallTime $to): self
    {
        $moves = $this->moves;
        $origin = array_search($from->seconds, $moves, true);
        $moves[$origin === false ? $from->seconds : $origin] = $to->seconds;
        ksort($moves);

        return new self($moves);
    }

    /** The whole was moved by so many seconds. */
    public function shifted(int $seconds): self
    {
        $moves = [];
        foreach ($this->moves as $from => $to) {
            $moves[$from + $seconds] = $to + $seconds;
        }

        return new self($moves);
    }

    /** Those that the series still says: where its rule or its dates were changed since, the others mean nothing any more. */
    public function within(Series $series): self
    {
        $dropped = self::seconds($series->dropped);
        $extra = self::seconds($series->extra);
        $moves = $taken = [];
        foreach ($this->moves as $from => $to) {
            if (isset($dropped[$from], $extra[$to]) && !isset($taken[$to])) {
                $moves[$from] = $to;
                $taken[$to] = true;
            }
        }

        return new self($moves);
    }

    /** Those of dates that the rule names before a wall time, and those from it on. */
    public function before(WallTime $cut): self
    {
        return new self(array_filter($this->moves, static fn(int $from): bool => $from < $cut->seconds, ARRAY_FILTER_USE_KEY));
    }

    public function from(WallTime $cut): self
    {
        return new self(array_filter($this->moves, static fn(int $from): bool => $from >= $cut->seconds, ARRAY_FILTER_USE_KEY));
    }

    /** A series as its rule names it, with the moves. */
    public function onto(Series $unmoved): Series
    {
        return $unmoved->withDates($unmoved->start, $unmoved->rule, self::together($unmoved->extra, array_values($this->moves)), self::together($unmoved->dropped, array_keys($this->moves)));
    }

    /**
     * @param  list<WallTime>  $walls
     * @param  list<int>  $more
     * @return list<WallTime> in order
     */
    private static function together(array $walls, array $more): array
    {
        $all = [];
        foreach ([...array_map(static fn(WallTime $w): int => $w->seconds, $walls), ...$more] as $seconds) {
            $all[$seconds] = WallTime::ofSeconds($seconds);
        }
        ksort($all);

        return array_values($all);
    }

    /** @return list<array{WallTime, WallTime}> from, to, in order */
    public function pairs(): array
    {
        return array_map(static fn(int $from, int $to): array => [WallTime::ofSeconds($from), WallTime::ofSeconds($to)], array_keys($this->moves), array_values($this->moves));
    }

    /** The series as its rule names it, without the moves. */
    public function unmoved(Series $series): Series
    {
        return $series->withDates($series->start, $series->rule, self::without($series->extra, array_values($this->moves)), self::without($series->dropped, array_keys($this->moves)));
    }

    /**
     * @param  list<WallTime>  $walls
     * @return array<int, true>
     */
    private static function seconds(array $walls): array
    {
        return array_fill_keys(array_map(static fn(WallTime $w): int => $w->seconds, $walls), true);
    }

    /**
     * @param  list<WallTime>  $walls
     * @param  list<int>  $moved
     * @return list<WallTime>
     */
    private static function without(array $walls, array $moved): array
    {
        $gone = array_fill_keys($moved, true);

        return array_values(array_filter($walls, static fn(WallTime $w): bool => !isset($gone[$w->seconds])));
    }
}
