<?php

declare(strict_types=1);

namespace Syndex\Core\Time;

/**
 * Stretches of time as octets, so that thousands are kept and read as one value: how many, the longest, all starts, all lengths, all
 * marks, in order of start. What lies in a window is found by bisection; the rest is not taken apart.
 *
 * Octets: count and longest in seconds (32 bits each), starts in seconds since 1970 (64 bits each), lengths in seconds (32 bits
 * each), marks (8 bits each); the least significant first.
 */
final class PackedStretches
{
    private const HEAD = 8;

    private const START = 8;

    private const LENGTH = 4;

    /** What 32 bits hold: 136 years. */
    private const LONGEST = 0xFFFF_FFFF;

    /** @param list<array{int, int, int}> $stretches start, end, and a mark from 0 to 255; in any order */
    public static function pack(array $stretches): string
    {
        usort($stretches, static fn(array $a, array $b): int => $a <=> $b);
        $lengths = array_map(static fn(array $s): int => max(0, min(self::LONGEST, $s[1] - $s[0])), $stretches);

        return pack('VV', count($stretches), $lengths === [] ? 0 : max($lengths))
            . ($stretches === [] ? '' : pack('P*', ...array_column($stretches, 0)) . pack('V*', ...$lengths) . pack('C*', ...array_column($stretches, 2)));
    }

    /**
     * @return list<int> start, end and mark of each that overlaps the window, one after the other, in order of start; nothing where the
     *                   octets are none of ours
     */
    public static function within(string $octets, int $from, int $to): array
    {
        if ($from >= $to || strlen($octets) < self::HEAD) {
            return [];
        }
        [1 => $all, 2 => $longest] = self::numbers('V2', $octets, 0);
        if (strlen($octets) !== self::HEAD + $all * (self::START + self::LENGTH + 1)) {
            return [];
        }
        $first = self::firstFrom($octets, $all, $from - $longest + 1);
        $count = self::firstFrom($octets, $all, $to) - $first;
        if ($count <= 0) {
            return [];
        }
        $starts = self::numbers("P$count", $octets, self::HEAD + $first * self::START);
        $lengths = self::numbers("V$count", $octets, self::HEAD + $all * self::START + $first * self::LENGTH);
        $marks = self::HEAD + $all * (self::START + self::LENGTH) + $first - 1;
        $found = [];
        for ($at = 1; $at <= $count; $at++) {
            $end = $starts[$at] + $lengths[$at];
            if ($end > $from) {
                $found[] = $starts[$at];
                $found[] = $end;
                $found[] = ord($octets[$marks + $at]);
            }
        }

        return $found;
    }

    /**
     * Bare stretches, those that overlap or touch as one, for whoever asks no more than whether something is there.
     *
     * @param  list<int>  $stretches  start, end and mark of each, in order of start, as {@see within} gives them
     * @param  int  $without  a mark: what has it is left out
     * @return list<int> starts and ends by turns, in order, none touching another
     */
    public static function pairsOf(array $stretches, int $without): array
    {
        $pairs = [];
        $last = -1;
        for ($at = 0, $count = count($stretches); $at < $count; $at += 3) {
            if ($stretches[$at + 2] === $without) {
                continue;
            }
            if ($last < 0 || $stretches[$at] > $pairs[$last]) {
                $pairs[] = $stretches[$at];
                $pairs[] = $stretches[$at + 1];
                $last += 2;
            } elseif ($stretches[$at + 1] > $pairs[$last]) {
                $pairs[$last] = $stretches[$at + 1];
            }
        }

        return $pairs;
    }

    /**
     * @param  list<int>  $pairs  starts and ends by turns, in order, none touching another
     * @return int place in the list at which the first begins that ends after a moment, found by bisection
     */
    public static function firstEndingAfter(array $pairs, int $moment): int
    {
        [$low, $high] = [0, intdiv(count($pairs), 2)];
        while ($low < $high) {
            $middle = ($low + $high) >> 1;
            if ($pairs[2 * $middle + 1] <= $moment) {
                $low = $middle + 1;
            } else {
                $high = $middle;
            }
        }

        return 2 * $low;
    }

    /**
     * Two such lists as one.
     *
     * @param  list<int>  $one  starts and ends by turns, in order
     * @param  list<int>  $other
     * @return list<int> starts and ends by turns, in order, none touching another
     */
    public static function together(array $one, array $other): array
    {
        $pairs = [];
        $last = -1;
        [$at, $next] = [0, 0];
        while (isset($one[$at]) || isset($other[$next])) {
            if (!isset($other[$next]) || (isset($one[$at]) && $one[$at] <= $other[$next])) {
                [$start, $end] = [$one[$at], $one[$at + 1]];
                $at += 2;
            } else {
                [$start, $end] = [$other[$next], $other[$next + 1]];
                $next += 2;
            }
            if ($last < 0 || $start > $pairs[$last]) {
                $pairs[] = $start;
                $pairs[] = $end;
                $last += 2;
            } elseif ($end > $pairs[$last]) {
                $pairs[$last] = $end;
            }
        }

        return $pairs;
    }

    /** Place of the first that starts at a moment or later. */
    private static function firstFrom(string $octets, int $count, int $moment): int
    {
        [$low, $high] = [0, $count];
        while ($low < $high) {
            $middle = ($low + $high) >> 1;
            if (self::numbers('P', $octets, self::HEAD + $middle * self::START)[1] < $moment) {
                $low = $middle + 1;
            } else {
                $high = $middle;
            }
        }

        return $low;
    }

    /** @return array<int, int> from 1 on */
    private static function numbers(string $format, string $octets, int $offset): array
    {
        /** @var array<int, int> $numbers */
        $numbers = unpack($format, $octets, $offset) ?: [];

        return $numbers;
    }
}
