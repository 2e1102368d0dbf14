<?php

declare(strict_types=1);

namespace App\Joining;

use Illuminate\Contracts\Cache\Repository;

/**
 * Leaves a bridge alone that has not answered several times in a row: whoever asks meanwhile is told at once, instead of waiting for
 * what will not come.
 *
 * Kept beside the transaction of whoever asks: a request that fails takes back what it wrote.
 */
final readonly class BridgePause
{
    private const SILENT = 'bridge-silent';

    /** After so many silent requests in a row. */
    private const TIMES = 3;

    private const SECONDS = 15;

    public function __construct(private Repository $cache) {}

    public function isOn(): bool
    {
        return (int) $this->cache->get(self::SILENT, 0) >= self::TIMES;
    }

    public function silent(): void
    {
        $this->cache->put(self::SILENT, (int) $this->cache->get(self::SILENT, 0) + 1, self::SECONDS);
    }

    public function answered(): void
    {
        if ($this->cache->has(self::SILENT)) {
            $this->cache->forget(self::SILENT);
        }
    }
}
