<?php

declare(strict_types=1);

namespace Syndex\Core\Recurrence;

/** BYSETPOS (RFC 5545 3.3.10): the nth of a period's set, from its start or its end. */
final class Positions
{
    /**
     * @param  list<int>  $set  ascending
     * @param  list<int>  $positions  none: all of the set
     * @return list<int> ascending
     */
    public static function pick(array $set, array $positions): array
    {
        if ($positions === []) {
            return $set;
        }
        $count = count($set);
        $picked = [];
        foreach ($positions as $position) {
            $index = $position > 0 ? $position - 1 : $count + $position;
            if (isset($set[$index])) {
                $picked[$index] = $set[$index];
            }
        }
        ksort($picked);

        return array_values($picked);
    }
}
