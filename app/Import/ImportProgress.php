<?php

declare(strict_types=1);

namespace App\Import;

use Illuminate\Support\Facades\Cache;

/** How far an import is. Told beside its transaction, which nobody can look into before it ends. */
final class ImportProgress
{
    private const SECONDS = 3600;

    public static function tell(string $importId, int $done, int $total): void
    {
        Cache::store('progress')->put("import-$importId", [$done, $total], self::SECONDS);
    }

    /** @return array{int, int} rows written, and rows in all */
    public static function of(string $importId): array
    {
        $told = Cache::store('progress')->get("import-$importId");

        return is_array($told) ? [(int) $told[0], (int) $told[1]] : [0, 0];
    }
}
