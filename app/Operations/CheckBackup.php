<?php

declare(strict_types=1);

namespace App\Operations;

use Illuminate\Console\Command;
use Illuminate\Encryption\Encrypter;
use Illuminate\Support\Facades\DB;

/** Whether a database that was read back is whole, and whether the key beside it opens what is encrypted in it. */
final class CheckBackup extends Command
{
    private const TABLES = ['accounts', 'people', 'meetings', 'attendees', 'meeting_dates', 'date_attendees', 'occurrences', 'absences', 'dispatches'];

    private const SAMPLE = 200;

    protected $signature = 'backup:check {settings : the file of settings that lies in the backup}';

    protected $description = 'Checks a backup that was read back into the database of this command (used by bin/syndex backup)';

    public function handle(): int
    {
        $file = $this->argument('settings');
        preg_match('/^APP_KEY=base64:(.*)$/m', is_string($file) ? (string) file_get_contents($file) : '', $key);
        if (!isset($key[1])) {
            $this->line('its key is missing');

            return self::FAILURE;
        }
        $encrypter = new Encrypter((string) base64_decode($key[1], true), (string) config('app.cipher'));
        $opened = 0;
        foreach ([['joining_kits', 'passcode'], ['meeting_snapshots', 'content'], ['dispatches', 'mail']] as [$table, $column]) {
            foreach (DB::table($table)->whereNotNull($column)->orderByDesc('id')->limit(self::SAMPLE)->pluck($column) as $value) {
                $encrypter->decryptString((string) $value);
                $opened++;
            }
        }
        $counts = array_map(static fn(string $table): string => DB::table($table)->count() . ' ' . $table, self::TABLES);
        $this->line(implode(', ', $counts) . "; $opened encrypted values opened");

        return self::SUCCESS;
    }
}
