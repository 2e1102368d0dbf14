<?php

declare(strict_types=1);

use App\People\Role;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

use function Tests\Feature\account;
use function Tests\Feature\colleague;
use function Tests\Feature\meeting;
use function Tests\Feature\sent;

/** Enough rows that reading a whole table is never the cheapest way for the database. */
function crowd(): void
{
    $people = $words = [];
    for ($i = 0; $i < 1500; $i++) {
        $id = Str::lower((string) Str::ulid());
        $people[] = ['id' => $id, 'kind' => $i % 3 === 0 ? 'guest' : 'colleague', 'name' => "Person $i", 'email' => "p$i@garden.example", 'email_key' => "p$i@garden.example", 'email_domain' => 'garden.example', 'list_key' => "0 person $i"];
        $words[] = ['word' => "person$i", 'person_id' => $id, 'list_key' => "0 person $i"];
    }
    DB::table('people')->insert($people);
    DB::table('person_words')->insert($words);
    DB::table('person_search')->insert(array_map(static fn(array $w): array => ['person_id' => $w['person_id'], 'text' => ' ' . $w['word'], 'list_key' => $w['list_key']], $words));
    $meetings = $attendees = $occurrences = [];
    $coordinator = DB::table('accounts')->value('id');
    for ($i = 0; $i < 1500; $i++) {
        $id = Str::lower((string) Str::ulid());
        $at = now()->addDays($i % 200 - 100)->format('Y-m-d H:i:s');
        $meetings[] = ['id' => $id, 'uid' => "$id@x", 'address_token' => $id, 'coordinator_id' => $coordinator, 'status' => ['draft', 'kept', 'sent', 'called_off'][$i % 4], 'title' => "Meeting $i", 'starts_local' => $at, 'zone' => 'Africa/Nairobi', 'duration_minutes' => 30,
            'links' => '[]', 'extra_local' => '[]', 'dropped_local' => '[]', 'shown_at' => $at, 'shown_until' => $i % 200 > 100 ? $at : null, 'last_ends_at' => $at, 'created_at' => now(), 'updated_at' => now()];
        $attendees[] = ['meeting_id' => $id, 'person_id' => $people[$i]['id'], 'position' => 0, 'role' => 'required'];
        $occurrences[] = ['meeting_id' => $id, 'date_local' => $at, 'starts_local' => $at, 'starts_at' => $at, 'ends_at' => $at, 'all_day' => false];
    }
    foreach (['meetings' => $meetings, 'attendees' => $attendees, 'occurrences' => $occurrences] as $table => $rows) {
        foreach (array_chunk($rows, 500) as $chunk) {
            DB::table($table)->insert($chunk);
        }
    }
    DB::statement('analyze table people, person_words, person_search, meetings, meeting_words, attendees, occurrences, dispatches, accounts');
}

it('reads no whole table for a list', function (): void {
    $coordinator = account(Role::Coordinator, colleague('Wanjiru Achola'));
    sent(meeting($coordinator, [$coordinator->person], ['title' => 'Grower exchange']));
    $queries = $found = [];
    try {
        // Counting the rows ends a transaction, so this test takes away by itself what it wrote.
        DB::commit();
        crowd();
        $this->actingAs($coordinator);
        DB::listen(function ($query) use (&$queries): void {
            if (str_starts_with($query->sql, 'select')) {
                $queries[] = [$query->sql, $query->bindings];
            }
        });
        foreach ([
            'meetings?which=ahead', 'meetings?which=all', 'meetings?which=drafts', 'meetings?which=sent', 'meetings?which=over', 'meetings?which=called_off', 'meetings?q=grow+wanj',
            'people', 'people?kind=guest', 'people?q=wanj', 'people/suggest?q=wanj', 'today', 'dispatches', 'dispatches?state=failed', 'dispatches?q=wanj', 'session',
        ] as $path) {
            $this->getJson("/api/$path")->assertOk();
        }
        foreach ($queries as [$sql, $bindings]) {
            foreach (DB::select("explain $sql", DB::connection()->prepareBindings($bindings)) as $step) {
                // What is derived on the way, tables of a few rows, and the narrow one in which any part of a name is found, are read as they are.
                if ($step->table !== 'person_search' && $step->type === 'ALL' && $step->table !== null && $step->table[0] !== '<' && (int) $step->rows > 50) {
                    $found[] = "$step->table: $sql";
                }
            }
        }
    } finally {
        foreach (['dispatches', 'meeting_snapshots', 'occurrences', 'attendees', 'meeting_words', 'meetings', 'accounts', 'person_words', 'person_search', 'people'] as $table) {
            DB::table($table)->delete();
        }
        DB::beginTransaction();
    }

    expect(count($queries))->toBeGreaterThan(40)->and($found)->toBe([]);
});
