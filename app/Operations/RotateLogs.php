<?php

declare(strict_types=1);

namespace App\Operations;

use Illuminate\Console\Command;

/**
 * Puts logs that have grown large aside, and lets the oldest go. Those who write go on in the same file: it is copied and
 * emptied, which is safe for files that are written at their end.
 */
final class RotateLogs extends Command
{
    private const MOST_OCTETS = 5_000_000;

    private const KEPT = 3;

    protected $signature = 'logs:rotate';

    protected $description = 'Puts large logs aside';

    public function handle(): int
    {
        foreach ([...(glob(dirname(storage_path()) . '/log/*.log') ?: []), ...(glob(storage_path('logs/*.log')) ?: [])] as $file) {
            if ((int) @filesize($file) < self::MOST_OCTETS) {
                continue;
            }
            for ($age = self::KEPT; $age > 1; $age--) {
                @rename("$file." . ($age - 1), "$file.$age");
            }
            if (copy($file, "$file.1")) {
                chmod("$file.1", 0600);
                file_put_contents($file, '', LOCK_EX);
            }
        }

        return self::SUCCESS;
    }
}
