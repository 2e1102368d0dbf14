<?php

declare(strict_types=1);

namespace App\Operations;

use App\People\Account;
use App\People\DemoPassword;
use App\People\Person;
use App\Planning\LayDown;
use App\Planning\Meeting;
use App\Planning\MeetingStatus;
use GuzzleHttp\Client;
use GuzzleHttp\Cookie\CookieJar;
use Illuminate\Console\Command;
use Illuminate\Support\Str;
use Syndex\Core\ICalendar\AttendeeRole;

/** Measures requests of the plan sheet through the real nginx, on the demo grown by many meetings. */
final class BenchCommand extends Command
{
    private const REQUESTS = 60;

    private const PEOPLE = 30;

    private const DATES = 52;

    private const MEETINGS = 300;

    protected $signature = 'bench:board';

    protected $description = 'Measures the board; for bin/syndex bench';

    public function handle(LayDown $layDown): int
    {
        $people = Person::query()->where('kind', 'colleague')->limit(self::PEOPLE)->get();
        $this->grow($people->all(), $layDown);
        [$client, $token] = $this->signedIn();
        $body = [
            'title' => '', 'purpose' => '', 'agenda' => [], 'links' => [], 'hostId' => null, 'zone' => 'Africa/Nairobi', 'allDay' => false, 'durationMinutes' => 45,
            'attendees' => $people->map(fn(Person $p): array => ['personId' => $p->id, 'role' => 'required'])->all(), 'dropped' => [], 'joinMode' => 'undecided', 'place' => '', 'index' => 0,
            'repeats' => ['every' => 'week', 'interval' => 1, 'days' => ['tue'], 'monthBy' => 'date', 'monthDay' => 1, 'nth' => 1, 'weekday' => 'tue', 'end' => 'count', 'count' => self::DATES, 'untilOn' => null],
        ];
        $times = ['board' => [], 'session' => []];
        for ($i = 0; $i < self::REQUESTS; $i++) {
            // Another time of day each round, so that no answer is one that was given before.
            $body['startLocal'] = sprintf('2026-12-08T%02d:%02d:00', 6 + intdiv($i, 4) % 16, 15 * ($i % 4));
            $times['board'][] = $this->timed(fn() => $client->post('/api/board', ['json' => $body, 'headers' => ['X-XSRF-TOKEN' => $token]]));
            $times['session'][] = $this->timed(fn() => $client->get('/api/session'));
        }
        $this->line(sprintf('  board of %d people and %d dates, among %d meetings: p50 %d ms, p95 %d ms  (aim: p95 under 200 ms)', self::PEOPLE, self::DATES, self::MEETINGS, ...$this->percentiles($times['board'])));
        $this->line(sprintf('  reference in the same run, the smallest signed-in request: p50 %d ms, p95 %d ms', ...$this->percentiles($times['session'])));

        return self::SUCCESS;
    }

    /** @param array<int, Person> $people */
    private function grow(array $people, LayDown $layDown): void
    {
        $coordinator = Account::query()->firstOrFail();
        for ($i = 0; $i < self::MEETINGS; $i++) {
            $meeting = Meeting::query()->create([
                'uid' => Str::ulid() . '@bench.example', 'address_token' => Str::lower(Str::random(16)), 'coordinator_id' => $coordinator->id, 'host_id' => $people[$i % self::PEOPLE]->id,
                'status' => MeetingStatus::Sent, 'title' => "Bench $i", 'starts_local' => now()->addDays($i % 14)->setTime(7 + $i % 12, 15 * ($i % 4))->format('Y-m-d H:i:s'), 'zone' => 'Africa/Nairobi',
                'duration_minutes' => 30 + 15 * ($i % 3), 'rrule' => 'FREQ=WEEKLY;COUNT=52',
            ]);
            foreach ([$i, $i * 7 + 3, $i * 11 + 5] as $position => $at) {
                $meeting->attendees()->firstOrCreate(['person_id' => $people[$at % self::PEOPLE]->id], ['position' => $position, 'role' => AttendeeRole::Required]);
            }
            $layDown->anew($meeting);
        }
    }

    /** @return array{Client, string} */
    private function signedIn(): array
    {
        $jar = new CookieJar();
        $client = new Client(['base_uri' => (string) config('app.url'), 'cookies' => $jar, 'headers' => ['Accept' => 'application/json']]);
        $client->get('/api/session');
        $token = static fn(): string => urldecode((string) $jar->getCookieByName('XSRF-TOKEN')?->getValue());
        $client->post('/api/session', ['json' => ['email' => Account::query()->firstOrFail()->email, 'password' => DemoPassword::TEXT], 'headers' => ['X-XSRF-TOKEN' => $token()]]);

        return [$client, $token()];
    }

    private function timed(callable $request): float
    {
        $began = hrtime(true);
        $request();

        return (hrtime(true) - $began) / 1e6;
    }

    /**
     * @param  list<float>  $times
     * @return array{int, int}
     */
    private function percentiles(array $times): array
    {
        sort($times);

        return [(int) round($times[intdiv(count($times), 2)]), (int) round($times[(int) floor(count($times) * 0.95)])];
    }
}
