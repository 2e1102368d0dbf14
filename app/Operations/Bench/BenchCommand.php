<?php

declare(strict_types=1);

namespace App\Operations\Bench;

use App\People\Account;
use App\People\Person;
use App\Planning\LayDown;
use App\Planning\Meeting;
use App\Planning\MeetingStatus;
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

    private const READERS = 50;

    private const SECONDS = 20;

    private const LISTS = ['/api/today', '/api/meetings?which=ahead', '/api/meetings?q=kami', '/api/people', '/api/people?q=kami', '/api/people/suggest?q=wa', '/api/people/suggest?q=kam', '/api/people/suggest?q=lo+crow', '/api/dispatches'];

    protected $signature = 'bench:app';

    protected $description = 'Measures the application; for bin/syndex bench';

    public function handle(LayDown $layDown, LargeHouse $large): int
    {
        $reader = Reader::signedIn();
        $this->lists($reader, 'the demo');
        $this->together($reader);
        $people = Person::query()->where('kind', 'colleague')->limit(self::PEOPLE)->get();
        $this->grow($people->all(), $layDown);
        $this->board($reader, $people->modelKeys());
        $this->times($reader, sprintf('better times for %d people and %d dates, rota and all', self::PEOPLE, self::DATES), $this->sheet($people->modelKeys(), self::PEOPLE, self::DATES), self::REQUESTS);
        $large->fill(Account::query()->firstOrFail()->id);
        $this->lists($reader, sprintf('a house of %s people and %s series', number_format(LargeHouse::PEOPLE), number_format(LargeHouse::SERIES)));

        $crowd = $this->sheet($large->busyCrowd(), LargeHouse::REQUIRED, 1);
        $what = sprintf('%s people (%d required), one date, %s busy stretches', number_format(LargeHouse::CROWD), LargeHouse::REQUIRED, number_format(LargeHouse::CROWD * LargeHouse::STRETCHES));
        $this->times($reader, "better times for $what", $crowd, 12);
        $this->times($reader, "board of $what", $crowd, 12, '/api/board');

        return self::SUCCESS;
    }

    /**
     * @param  array<array-key, mixed>  $people  ids, the required ones first
     * @return array<string, mixed>
     */
    private function sheet(array $people, int $required, int $dates): array
    {
        return [
            'title' => '', 'purpose' => '', 'agenda' => [], 'links' => [], 'hostId' => null, 'zone' => 'Africa/Nairobi', 'allDay' => false, 'durationMinutes' => 45,
            'attendees' => array_map(static fn(mixed $id, int $at): array => ['personId' => $id, 'role' => $at < $required ? 'required' : 'optional'], array_values($people), array_keys(array_values($people))),
            'dropped' => [], 'joinMode' => 'undecided', 'place' => '', 'index' => 0,
            'rule' => $dates === 1 ? null : ['by' => 'words', 'every' => 'week', 'interval' => 1, 'days' => ['tue'], 'monthBy' => 'date', 'monthDay' => 1, 'nth' => 1, 'weekday' => 'tue', 'end' => 'count', 'count' => $dates, 'untilOn' => null],
        ];
    }

    /** @param array<string, mixed> $sheet */
    private function times(Reader $reader, string $what, array $sheet, int $requests, string $path = '/api/times'): void
    {
        $times = [];
        for ($i = 0; $i < $requests; $i++) {
            // Another time of day each round, so that no answer is one that was given before.
            [$times[]] = $reader->post($path, [...$sheet, 'startLocal' => sprintf('%sT%02d:%02d:00', now()->addWeek()->next('Tuesday')->toDateString(), 6 + intdiv($i, 4) % 16, 15 * ($i % 4))]);
        }
        $this->line(sprintf("  $what: p50 %d ms, p95 %d ms", ...$this->percentiles($times)));
    }

    /** @param array<array-key, mixed> $people ids */
    private function board(Reader $reader, array $people): void
    {
        $body = $this->sheet($people, self::PEOPLE, self::DATES);
        $times = $bare = [];
        $octets = 0;
        for ($i = 0; $i < self::REQUESTS; $i++) {
            // Another time of day each round, so that no answer is one that was given before.
            $body['startLocal'] = sprintf('%sT%02d:%02d:00', now()->addWeek()->next('Tuesday')->toDateString(), 6 + intdiv($i, 4) % 16, 15 * ($i % 4));
            [$times[], $octets] = $reader->post('/api/board', $body);
            $bare[] = $reader->get('/api/session');
        }
        $this->line(sprintf('  board of %d people and %d dates, among %d meetings: p50 %d ms, p95 %d ms, %d kB  (aim: p95 under 100 ms)', self::PEOPLE, self::DATES, self::MEETINGS, ...[...$this->percentiles($times), intdiv($octets, 1000)]));
        $this->line(sprintf('    reference in the same run, the smallest signed-in request: p50 %d ms, p95 %d ms', ...$this->percentiles($bare)));
    }

    private function lists(Reader $reader, string $where): void
    {
        $times = $bare = [];
        for ($i = 0; $i < self::REQUESTS; $i++) {
            $bare[] = $reader->get('/api/session');
            foreach (self::LISTS as $path) {
                $times[$path][] = $reader->get($path);
            }
        }
        [$p50, $p95] = $this->percentiles($bare);
        $this->line("  lists in $where; reference in the same run, the smallest signed-in request: p50 $p50 ms, p95 $p95 ms  (aim: p95 within twice that)");
        foreach ($times as $path => $of) {
            $this->line(sprintf('    %-28s p50 %d ms, p95 %d ms', $path, ...$this->percentiles($of)));
        }
    }

    private function together(Reader $reader): void
    {
        [$bare, $bareTimes] = $reader->together(self::READERS, 5, ['/api/session']);
        [$rate, $times] = $reader->together(self::READERS, self::SECONDS, [...self::LISTS, '/api/session']);
        $this->line(sprintf('  %d signed-in people reading for %d s: %d requests a second, p50 %d ms, p95 %d ms', self::READERS, self::SECONDS, $rate, ...$this->percentiles($times)));
        $this->line(sprintf('    reference in the same run, the smallest signed-in request alone: %d a second, p50 %d ms, p95 %d ms', $bare, ...$this->percentiles($bareTimes)));
    }

    /** @param array<int, Person> $people */
    private function grow(array $people, LayDown $layDown): void
    {
        $coordinator = Account::query()->firstOrFail();
        for ($i = 0; $i < self::MEETINGS; $i++) {
            $meeting = Meeting::query()->create([
                'uid' => Str::ulid() . '@bench.example', 'address_token' => Str::lower(Str::random(16)), 'coordinator_id' => $coordinator->id, 'host_id' => $people[$i % self::PEOPLE]->id,
                'status' => MeetingStatus::Sent, 'title' => "Bench $i", 'starts_local' => now()->addDays($i % 14)->setTime(7 + $i % 12, 15 * ($i % 4))->format('Y-m-d H:i:s'), 'zone' => 'Africa/Nairobi',
                'duration_minutes' => 30 + 15 * ($i % 3), 'all_day' => false, 'rrule' => 'FREQ=WEEKLY;COUNT=52',
            ]);
            foreach ([$i, $i * 7 + 3, $i * 11 + 5] as $position => $at) {
                $meeting->attendees()->firstOrCreate(['person_id' => $people[$at % self::PEOPLE]->id], ['position' => $position, 'role' => AttendeeRole::Required]);
            }
            $layDown->anew($meeting);
        }
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
