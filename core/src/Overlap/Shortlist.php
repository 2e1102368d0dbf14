<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

/** Keeps what dearer counts are worth: those of many that can still come to stand among the first. */
final class Shortlist
{
    /**
     * Those that can be among the first so many by what is known of them, all that are level with the last of these included.
     *
     * @template T
     *
     * @param  array<int, T>  $ranks  by number, the less, the better
     * @return list<int> their numbers, in the order given
     */
    public static function of(array $ranks, int $most): array
    {
        if (count($ranks) <= $most) {
            return array_keys($ranks);
        }
        $inOrder = array_values($ranks);
        sort($inOrder);
        $worst = $inOrder[$most - 1];

        return array_keys(array_filter($ranks, static fn(mixed $rank): bool => $rank <= $worst));
    }
}
