<?php

declare(strict_types=1);

namespace App\Invitations;

use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

final class WorkOutbox extends Command
{
    private const PAUSE_MICROSECONDS = 500_000;

    protected $signature = 'outbox:work {--once : Empty what is due, then end} {--seconds=3600 : End after so long, to be started again}';

    protected $description = 'Sends what lies in the outbox';

    private bool $stopping = false;

    /** @var resource|null */
    private mixed $beside = null;

    public function handle(DeliverDue $deliver): int
    {
        $this->trap([SIGTERM, SIGINT], function (): void {
            $this->stopping = true;
        });
        $worker = gethostname() . ':' . getmypid() . ':' . Str::lower(Str::random(6));
        $end = hrtime(true) + 1_000_000_000 * (int) $this->option('seconds');
        $once = $this->option('once') === true;
        do {
            try {
                DB::table('outbox_workers')->insertOrIgnore(['id' => $worker]);
                $this->keepBeating($worker);
                $taken = $deliver($worker);
            } catch (\PDOException $away) {
                // The database comes back; what was in hand is found as it was.
                $taken = 0;
                DB::purge();
                $this->components->warn('The database does not answer.');
            }
            if ($taken === 0 && !$once && !$this->stopping) {
                usleep(self::PAUSE_MICROSECONDS);
            }
        } while (!$this->stopping && ($once ? $taken > 0 : hrtime(true) < $end));
        if (is_resource($this->beside)) {
            proc_terminate($this->beside, SIGKILL);
        }
        DB::table('outbox_workers')->where('id', $worker)->delete();

        return self::SUCCESS;
    }

    private function keepBeating(string $worker): void
    {
        if (is_resource($this->beside) && proc_get_status($this->beside)['running']) {
            return;
        }
        $beside = proc_open([PHP_BINARY, '-d', 'pcov.enabled=0', base_path('artisan'), 'outbox:beat', $worker, (string) getmypid()], [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']], $pipes);
        $this->beside = $beside === false ? null : $beside;
    }
}
