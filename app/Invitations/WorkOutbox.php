<?php

declare(strict_types=1);

namespace App\Invitations;

use Illuminate\Console\Command;

final class WorkOutbox extends Command
{
    protected $signature = 'outbox:work {--once : Empty what is due, then end} {--seconds=3600 : End after so long, to be started again}';

    protected $description = 'Sends what lies in the outbox';

    private bool $stopping = false;

    public function handle(DeliverDue $deliver): int
    {
        $this->trap([SIGTERM, SIGINT], function (): void {
            $this->stopping = true;
        });
        $worker = gethostname() . ':' . getmypid();
        $end = time() + (int) $this->option('seconds');
        do {
            $taken = $deliver($worker);
            if ($taken === 0 && $this->option('once') === false && !$this->stopping) {
                usleep(500_000);
            }
        } while (!$this->stopping && ($this->option('once') === true ? $taken > 0 : time() < $end));

        return self::SUCCESS;
    }
}
