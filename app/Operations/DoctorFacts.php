<?php

declare(strict_types=1);

namespace App\Operations;

use App\Invitations\Dispatch;
use App\Invitations\DispatchState;
use App\Planning\Over;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Syndex\Core\Time\ZoneData;

/** What the database knows of the state of things, a line each for the doctor: ok or fault, the text, the remedy. */
final class DoctorFacts extends Command
{
    protected $signature = 'doctor:facts';

    protected $description = 'Facts for bin/syndex doctor';

    public function handle(ZoneData $zones): int
    {
        $this->tell(true, 'database  ' . DB::selectOne('select version() as v')->v);
        $waiting = Dispatch::query()->whereIn('state', [DispatchState::Waiting, DispatchState::Sending]);
        $late = (clone $waiting)->where('next_try_at', '<', now()->subMinutes(5))->count();
        $this->tell($late === 0, 'outbox  ' . $waiting->count() . ' waiting' . ($late > 0 ? ", $late of them for more than five minutes" : ''), 'The worker may hang: bin/syndex stop and start.');
        $last = Dispatch::query()->whereNotNull('sent_at')->max('sent_at');
        $this->tell(true, 'last dispatch  ' . (is_string($last) ? $last . ' UTC' : 'none yet'));
        $failed = Dispatch::query()->where('state', DispatchState::GivenUp)->where('updated_at', '>', now()->subDay())->count();
        $this->tell($failed === 0, "given up in the last day  $failed", 'See the page Sent, filter "not delivered": the mail server may be away.');
        $this->tell(true, 'queue  ' . DB::table('jobs')->count() . ' jobs');
        $broken = DB::table('failed_jobs')->count();
        $this->tell($broken === 0, "failed jobs  $broken", 'Once the cause is mended: php artisan queue:retry all');
        $old = DB::table('meetings')->whereIn('status', ['kept', 'sent'])->whereNotNull('laid_zone_data')->where('laid_zone_data', '!=', $zones->version())
            ->where(Over::isNot())->count();
        $this->tell($old === 0, "meetings laid down with older zone data  $old", 'Run: php artisan occurrences:top-up (it also runs every night).');

        return self::SUCCESS;
    }

    private function tell(bool $good, string $text, string $remedy = ''): void
    {
        $this->line(implode('|', [$good ? 'ok' : 'fault', $text, $remedy]));
    }
}
