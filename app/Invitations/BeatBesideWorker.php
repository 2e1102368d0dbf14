<?php

declare(strict_types=1);

namespace App\Invitations;

use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/** Runs beside a worker and shows that it lives, even while it waits for a slow answer. Ends with it. */
final class BeatBesideWorker extends Command
{
    private const PAUSE_MICROSECONDS = 1_500_000;

    protected $signature = 'outbox:beat {worker} {pid : of the worker}';

    protected $description = 'Shows that a worker of the outbox lives (started by outbox:work)';

    public function handle(): int
    {
        $worker = $this->argument('worker');
        $worker = is_string($worker) ? $worker : '';
        $parent = (int) $this->argument('pid');
        // Whoever loses its parent is given another one.
        while (posix_getppid() === $parent) {
            try {
                DB::table('outbox_workers')->where('id', $worker)->increment('beat');
            } catch (\PDOException) {
                DB::purge();
            }
            usleep(self::PAUSE_MICROSECONDS);
        }

        return self::SUCCESS;
    }
}
