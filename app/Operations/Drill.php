<?php

declare(strict_types=1);

namespace App\Operations;

use App\Invitations\SendMeeting;
use App\People\Account;
use App\People\FindOrRemember;
use App\People\Person;
use App\People\PersonKind;
use App\People\Role;
use App\People\SavePerson;
use App\Planning\JoinMode;
use App\Planning\StartDraft;
use Illuminate\Console\Command;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Syndex\Core\ICalendar\AttendeeRole;

/** The drill of bin/syndex drill, within a house of its own: sends a large meeting and kills parts of the house meanwhile. */
final class Drill extends Command
{
    /** Each mail takes so long to be taken, so that there is something to disturb. */
    private const SLOW_MS = 70;

    private const PATIENCE_SECONDS = 60;

    private const AIM_SECONDS = 20;

    private const VICTIMS = ['worker', 'PHP', 'database', 'post room'];

    protected $signature = 'drill:run {--recipients=300} {--kills=12} {--seed=1}';

    protected $description = 'Kills parts of this house while it sends, and counts (used by bin/syndex drill)';

    public function handle(StartDraft $startDraft, SendMeeting $send, SavePerson $save, FindOrRemember $find): int
    {
        if (config('syndex.demo') === true || Account::query()->exists()) {
            $this->error('This house is not empty; the drill is for a house of its own.');

            return self::FAILURE;
        }
        $recipients = (int) $this->option('recipients');
        $seed = (int) $this->option('seed');
        $random = new Randomizer(new Mt19937($seed));
        $this->line("Seed $seed: $recipients recipients.");
        Http::put(config('syndex.post_room.page') . '/api/faults', ['slowMs' => self::SLOW_MS])->throw();
        $this->send($recipients, $startDraft, $send, $save, $find);
        $began = hrtime(true);
        $table = [];
        for ($kill = 0; $kill < (int) $this->option('kills') && $this->arrived() < $recipients; $kill++) {
            usleep($random->getInt(300_000, 1_500_000));
            $victim = self::VICTIMS[$kill < count(self::VICTIMS) ? $kill : $random->getInt(0, count(self::VICTIMS) - 1)];
            $table[] = [$victim, $this->arrived(), $this->kill($victim, $recipients)];
        }
        $stuck = $this->settled($recipients);
        $seconds = (hrtime(true) - $began) / 1e9;

        return $this->report($table, $recipients, $stuck, $seconds);
    }

    private function send(int $recipients, StartDraft $startDraft, SendMeeting $send, SavePerson $save, FindOrRemember $find): void
    {
        $host = $save(new Person(), ['kind' => PersonKind::Colleague, 'name' => 'Wanjiru Achola', 'email' => 'wanjiru@garden.example', 'zone' => 'Africa/Nairobi']);
        $account = Account::query()->create(['person_id' => $host->id, 'email' => $host->email_key, 'role' => Role::Administrator])->setRelation('person', $host);
        $people = [];
        for ($i = 0; $i < $recipients; $i++) {
            $people[] = ['person' => $find("guest$i@orchard.example", null), 'role' => AttendeeRole::Required];
        }
        $meeting = $startDraft->with($account, [
            'host_id' => null, 'title' => 'Harvest call', 'starts_local' => now()->addWeek()->format('Y-m-d 10:00:00'), 'zone' => 'Africa/Nairobi', 'duration_minutes' => 45,
            'rrule' => 'FREQ=WEEKLY;COUNT=12', 'join_mode' => JoinMode::InPerson, 'place' => 'Library',
        ], $people);
        $began = hrtime(true);
        $send($meeting->refresh(), 1);
        $this->line(sprintf('Sent within a request of %d ms.', (hrtime(true) - $began) / 1e6));
    }

    /** @return ?float seconds until it went on; null if it did not */
    private function kill(string $victim, int $recipients): ?float
    {
        $before = $this->arrived();
        foreach ($this->pidsOf($victim) as $pid) {
            posix_kill($pid, SIGKILL);
        }
        $began = hrtime(true);
        $since = static fn(): float => (hrtime(true) - $began) / 1e9;
        while ($since() < self::PATIENCE_SECONDS) {
            usleep(50_000);
            // PHP is back when a page is answered; the others when mail goes on.
            if ($victim === 'PHP' ? $this->answers() : ($this->arrived() > $before + 1 || $this->arrived() >= $recipients)) {
                return $since();
            }
        }

        return null;
    }

    /** @return list<int> */
    private function pidsOf(string $victim): array
    {
        $pattern = ['worker' => 'outbox:work', 'PHP' => 'php-fpm: master', 'database' => 'mariadbd', 'post room' => 'standins/postroom'][$victim];
        $program = ['worker' => 'worker', 'PHP' => 'php', 'database' => 'database', 'post room' => 'standin'][$victim];
        exec('bash -c ' . escapeshellarg('source ' . escapeshellarg(base_path('ops/lib.sh')) . "; own_processes $program"), $lines);
        $pids = array_map(static fn(string $line): int => (int) explode(' ', $line)[0], $lines);

        return array_values(array_filter($pids, static fn(int $pid): bool => str_contains((string) @file_get_contents("/proc/$pid/cmdline"), $pattern)));
    }

    private function answers(): bool
    {
        try {
            return Http::timeout(2)->get(config('app.url') . '/api/session')->ok();
        } catch (ConnectionException) {
            return false;
        }
    }

    /** Counted by the files of the post room, which are there while it is not. */
    private function arrived(): int
    {
        return count(glob(dirname(storage_path()) . '/postroom/*.json') ?: []);
    }

    /** @return int how many still wait when patience ends */
    private function settled(int $recipients): int
    {
        $until = hrtime(true) + 3 * self::PATIENCE_SECONDS * 1_000_000_000;
        do {
            usleep(300_000);
            try {
                $stuck = DB::table('dispatches')->whereIn('state', ['waiting', 'sending'])->count();
            } catch (\PDOException) {
                DB::purge();
                $stuck = $recipients;
            }
        } while ($stuck > 0 && hrtime(true) < $until);

        return $stuck;
    }

    /** @param list<array{string, int, ?float}> $table */
    private function report(array $table, int $recipients, int $stuck, float $seconds): int
    {
        $this->line('');
        $this->line('| killed | mails arrived by then | went on after |');
        $this->line('| --- | --- | --- |');
        foreach ($table as [$victim, $arrived, $recovered]) {
            $this->line(sprintf('| %s | %d | %s |', $victim, $arrived, $recovered === null ? 'not within ' . self::PATIENCE_SECONDS . ' s' : sprintf('%.1f s', $recovered)));
        }
        $copies = [];
        foreach (Http::get(config('syndex.post_room.page') . '/api/mails')->throw()->json() as $mail) {
            $copies[trim((string) $mail['messageId'], '<>')] = ($copies[trim((string) $mail['messageId'], '<>')] ?? 0) + 1;
        }
        $sent = DB::table('dispatches')->where('state', 'sent')->count();
        $lost = DB::table('dispatches')->pluck('message_id')->reject(static fn($id): bool => isset($copies[(string) $id]))->count();
        $doubled = count(array_filter($copies, static fn(int $n): bool => $n > 1));
        $worst = max([0.0, ...array_map(static fn(array $row): float => $row[2] ?? INF, $table)]);
        $this->line('');
        $this->line('| recipients | sent | lost | doubled | stuck | longest recovery | whole sending |');
        $this->line('| --- | --- | --- | --- | --- | --- | --- |');
        $this->line(sprintf('| %d | %d | %d | %d | %d | %.1f s | %.0f s |', $recipients, $sent, $lost, $doubled, $stuck, $worst, $seconds));
        $isGood = $lost === 0 && $stuck === 0 && $worst < self::AIM_SECONDS;
        $this->line('');
        $this->line($isGood ? 'Nothing lost, nothing stuck. A mail that is there twice has the same Message-ID both times.' : 'Not as it should be: nothing lost, nothing stuck, recovery under ' . self::AIM_SECONDS . ' s.');

        return $isGood ? self::SUCCESS : self::FAILURE;
    }
}
