<?php

declare(strict_types=1);

namespace Syndex\Core\Time;

/**
 * Stretches of time as bare numbers: starts and ends by turns, in order, none touching another, in seconds since 1970.
 *
 * For whoever counts over thousands of people: an object for each stretch would cost more than all the counting.
 */
final class BareStretches
{
    /**
     * @param  list<int>  $from  starts, in any order
     * @param  list<int>  $until  ends, each with the start of the same place; what has no length is nothing
     * @return list<int>
     */
    public static function of(array $from, array $until): array
    {
        if (!self::isInOrder($from)) {
            array_multisort($from, $until);
        }
        $pairs = [];
        $last = -1;
        foreach ($from as $at => $start) {
            $end = $until[$at];
            if ($end <= $start) {
                continue;
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

    /** @return list<int> */
    public static function ofSet(IntervalSet $set): array
    {
        $pairs = [];
        foreach ($set->intervals as $interval) {
            $pairs[] = $interval->start;
            $pairs[] = $interval->end;
        }

        return $pairs;
    }

    /**
     * Two such lists as one.
     *
     * @param  list<int>  $one
     * @param  list<int>  $other
     * @return list<int>
     */
    public static function together(array $one, array $other): array
    {
        $from = $until = [];
        foreach ([$one, $other] as $pairs) {
            foreach ($pairs as $at => $moment) {
                if ($at % 2 === 0) {
                    $from[] = $moment;
                } else {
                    $until[] = $moment;
                }
            }
        }

        return self::of($from, $until);
    }

    /**
     * Every stretch made longer at both ends.
     *
     * @param  list<int>  $pairs
     * @return list<int>
     */
    public static function widened(array $pairs, int $seconds): array
    {
        $wide = [];
        $last = -1;
        for ($at = 0; isset($pairs[$at]); $at += 2) {
            if ($last >= 0 && $pairs[$at] - $seconds <= $wide[$last]) {
                $wide[$last] = $pairs[$at + 1] + $seconds;
            } else {
                $wide[] = $pairs[$at] - $seconds;
                $wide[] = $pairs[$at + 1] + $seconds;
                $last += 2;
            }
        }

        return $wide;
    }

    /**
     * Whether something is there in a stretch; touching is not.
     *
     * @param  list<int>  $pairs
     */
    public static function overlap(array $pairs, int $from, int $until): bool
    {
        $at = self::firstEndingAfter($pairs, $from);

        return isset($pairs[$at]) && $pairs[$at] < $until;
    }

    /**
     * @param  list<int>  $pairs
     * @return int place in the list at which the first begins that ends after a moment, found by bisection
     */
    public static function firstEndingAfter(array $pairs, int $moment): int
    {
        [$low, $high] = [0, count($pairs) >> 1];
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

    /** @param list<int> $from */
    private static function isInOrder(array $from): bool
    {
        $before = PHP_INT_MIN;
        foreach ($from as $start) {
            if ($start < $before) {
                return false;
            }
            $before = $start;
        }

        return true;
    }
}
