<?php

declare(strict_types=1);

namespace App\Operations\Bench;

use App\People\Account;
use App\People\PackedBusyTimes;
use App\People\Role;
use App\People\SearchKey;
use App\Planning\PackedDates;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Fills a house with so many people and series that a list which reads all of them is seen at once. */
final class LargeHouse
{
    public const PEOPLE = 20_000;

    public const SERIES = 5_000;

    /** People for whom time is sought, how many of them are required, and how much each has. */
    public const CROWD = 6_000;

    public const REQUIRED = 20;

    public const STRETCHES = 100;

    private const DATES = 40;

    private const AT_ONCE = 1000;

    private const ZONES = ['Africa/Nairobi', 'Europe/Lisbon', 'America/Lima', 'Asia/Kathmandu', 'Pacific/Auckland', 'America/New_York'];

    private const COORDINATORS = 40;

    /** @param string $coordinatorId one of those who plan in it */
    public function fill(string $coordinatorId): void
    {
        $ids = [];
        $people = $words = [];
        $lines = [];
        for ($i = 0; $i < self::PEOPLE; $i++) {
            $ids[] = $id = Str::lower((string) Str::ulid());
            $name = $this->word($i) . ' ' . $this->word(intdiv($i, 7) + 3);
            $email = "p$i@crowd.example";
            $people[] = ['id' => $id, 'kind' => $i % 4 === 0 ? 'guest' : 'colleague', 'name' => $name, 'email' => $email, 'email_key' => $email, 'email_domain' => 'crowd.example', 'list_key' => $listed = SearchKey::listed($i % 4 === 0, $name, $email), 'zone' => self::ZONES[$i % 6]];
            $lines[] = ['person_id' => $id, 'text' => SearchKey::line($name, $email), 'list_key' => $listed];
            foreach (SearchKey::parts($name, $email) as $word) {
                $words[] = ['word' => $word, 'person_id' => $id, 'list_key' => $listed];
            }
        }
        $this->insert('people', $people);
        $this->insert('person_words', $words);
        $this->insert('person_search', $lines);
        $coordinators = [$coordinatorId];
        for ($i = 1; $i < self::COORDINATORS; $i++) {
            $coordinators[] = Account::query()->create(['person_id' => $ids[4 * $i + 1], 'email' => "c$i@crowd.example", 'role' => Role::Coordinator, 'password' => null])->id;
        }
        $meetings = $attendees = $occurrences = $titles = [];
        for ($i = 0; $i < self::SERIES; $i++) {
            $id = Str::lower((string) Str::ulid());
            $first = now()->subDays($i % 140)->setTime(6 + $i % 12, 15 * ($i % 4));
            $end = $first->addWeeks(self::DATES - 1)->addMinutes(45);
            $next = null;
            for ($date = 0; $date < self::DATES; $date++) {
                $start = $first->addWeeks($date);
                $next ??= $start->isFuture() ? $start : null;
                $occurrences[] = ['meeting_id' => $id, 'date_local' => $start->addHours(3)->format('Y-m-d H:i:s'), 'starts_local' => $start->addHours(3)->format('Y-m-d H:i:s'), 'starts_at' => $start->format('Y-m-d H:i:s'), 'ends_at' => $start->addMinutes(45)->format('Y-m-d H:i:s'), 'all_day' => false];
            }
            $title = ucfirst($this->word($i)) . " exchange $i";
            $meetings[] = ['id' => $id, 'uid' => "$id@bench.example", 'address_token' => substr($id, 0, 24), 'coordinator_id' => $coordinators[$i % self::COORDINATORS], 'host_id' => $ids[$i], 'status' => $i % 20 === 0 ? 'draft' : 'sent', 'title' => $title,
                'starts_local' => $first->addHours(3)->format('Y-m-d H:i:s'), 'zone' => 'Africa/Nairobi', 'duration_minutes' => 45, 'rrule' => 'FREQ=WEEKLY;COUNT=' . self::DATES, 'links' => '[]', 'extra_local' => '[]', 'dropped_local' => '[]',
                'first_starts_at' => $first, 'last_ends_at' => $end, 'shown_at' => $next ?? $end, 'shown_until' => $next?->addMinutes(45), 'created_at' => now(), 'updated_at' => now()->subMinutes($i)];
            foreach (SearchKey::distinct($title) as $word) {
                $titles[] = ['word' => $word, 'meeting_id' => $id];
            }
            foreach ([$i, $i * 7 + 3, $i * 11 + 5, $i * 13 + 7] as $position => $at) {
                $attendees["$id " . $at % self::PEOPLE] = ['meeting_id' => $id, 'person_id' => $ids[$at % self::PEOPLE], 'position' => $position, 'role' => 'required'];
            }
        }
        $this->insert('meetings', $meetings);
        $this->insert('meeting_words', $titles);
        $this->insert('attendees', array_values($attendees));
        $this->insert('occurrences', $occurrences);
        foreach (array_column($meetings, 'id') as $id) {
            PackedDates::keep($id);
        }
        DB::statement('analyze table people, person_words, person_search, meetings, meeting_words, attendees, occurrences');
    }

    /** @return list<string> people whose calendars hold a hundred stretches each, over four weeks */
    public function busyCrowd(): array
    {
        $ids = array_values(array_map(strval(...), DB::table('people')->where('email_domain', 'crowd.example')->orderBy('id')->limit(self::CROWD)->pluck('id')->all()));
        $this->insert('calendars', array_map(static fn(string $id): array => ['person_id' => $id, 'kind' => 'file', 'label' => 'bench.ics', 'state' => 'read', 'read_at' => now(), 'laid_at' => now()], $ids));
        $calendars = DB::table('calendars')->whereIn('person_id', $ids)->pluck('id', 'person_id')->all();
        $from = CarbonImmutable::parse('2026-12-01 00:00:00');
        foreach ($ids as $at => $id) {
            $rows = [];
            for ($i = 0; $i < self::STRETCHES; $i++) {
                // Spread over four weeks, a quarter hour to an hour and a half each.
                $start = $from->addMinutes(400 * $i + 15 * (($at * 7 + $i * 11) % 24));
                $rows[] = ['calendar_id' => $calendars[$id], 'person_id' => $id, 'key' => md5("$at $i"), 'starts_at' => $start->format('Y-m-d H:i:s'), 'ends_at' => $start->addMinutes(15 * (1 + ($at + $i) % 6))->format('Y-m-d H:i:s'), 'kind' => 'busy'];
            }
            $this->insert('busy_times', $rows);
            PackedBusyTimes::keep((int) $calendars[$id], $rows);
        }
        DB::statement('analyze table calendars, busy_times');

        return $ids;
    }

    /** A word that can be said, one of some 4,000. */
    private function word(int $number): string
    {
        $syllables = ['ka', 'lo', 'mi', 'ne', 'ru', 'sa', 'ti', 'vo', 'wa', 'ye', 'bo', 'de', 'fu', 'gi', 'ha', 'je'];

        return $syllables[$number % 16] . $syllables[intdiv($number, 16) % 16] . $syllables[intdiv($number, 256) % 16];
    }

    /** @param list<array<string, mixed>> $rows */
    private function insert(string $table, array $rows): void
    {
        foreach (array_chunk($rows, self::AT_ONCE) as $chunk) {
            DB::table($table)->insert($chunk);
        }
    }
}
