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
     * @return list<int> {@see BareStretches}
     */
    public static function pairsOf(array $stretches, int $without): array
    {
        $from = $until = [];
        for ($at = 0, $count = count($stretches); $at < $count; $at += 3) {
            if ($stretches[$at + 2] !== $without) {
                $from[] = $stretches[$at];
                $until[] = $stretches[$at + 1];
            }
        }

        return BareStretches::of($from, $until);
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
