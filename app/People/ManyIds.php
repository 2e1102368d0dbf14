<?php

declare(strict_types=1);

namespace App\People;

/**
 * Asks for the rows of some ids: of a few by a list, of thousands by the range in which they lie. To look one up costs the database
 * as much as to pass over ten in their order, and each house has its ids close together. Whoever asks leaves out what was not meant.
 */
final class ManyIds
{
    private const FEW = 400;

    /**
     * @param  non-empty-list<string|int>  $ids
     * @return array{string, list<string|int>} a condition, and what is bound in it
     */
    public static function in(string $column, array $ids): array
    {
        return count($ids) <= self::FEW
            ? ["$column in (" . implode(', ', array_fill(0, count($ids), '?')) . ')', $ids]
            : ["$column between ? and ?", [min($ids), max($ids)]];
    }
}
