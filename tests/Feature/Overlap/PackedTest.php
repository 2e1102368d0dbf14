<?php

declare(strict_types=1);

use App\People\PersonKind;
use App\People\Role;
use App\People\SetCalendar;
use App\Planning\LayDown;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Syndex\Core\Time\PackedStretches;

use function Tests\Feature\account;
use function Tests\Feature\colleague;
use function Tests\Feature\guest;
use function Tests\Feature\meeting;
use function Tests\Feature\repeats;
use function Tests\Feature\sent;
use function Tests\Feature\sheet;

/*
 * What meetings and calendars take stands in rows, and once more packed as one value for each: both say the same.
 */

beforeEach(function (): void {
    $this->travelTo('2026-11-25T09:00:00Z');
    $this->coordinator = account(Role::Coordinator, colleague('Wanjiru Achola'));
    $this->actingAs($this->coordinator);
    $this->rows = fn(string $meetingId): array => DB::table('occurrences')->where('meeting_id', $meetingId)->where('all_day', false)->orderBy('starts_at')->selectRaw('unix_timestamp(starts_at) as s, unix_timestamp(ends_at) as e')->get()->flatMap(fn($r) => [(int) $r->s, (int) $r->e, 0])->all();
    $this->packed = fn(string $meetingId): array => PackedStretches::within((string) DB::table('packed_meetings')->where('meeting_id', $meetingId)->value('stretches'), 0, PHP_INT_MAX >> 1);
    $this->ics = static fn(string ...$events): string => "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//x//x//EN\r\n" . implode('', array_map(static fn(string $e): string => "BEGIN:VEVENT\r\nDTSTAMP:20261101T000000Z\r\n$e\r\nEND:VEVENT\r\n", $events)) . "END:VCALENDAR\r\n";
});

it('follows the dates of a meeting as they are laid down, moved, made longer and dropped', function (): void {
    $meeting = sent(meeting($this->coordinator, [$this->coordinator->person], ['starts_local' => '2026-12-08 15:30:00']));
    expect(($this->packed)($meeting->id))->toBe(($this->rows)($meeting->id))->toHaveCount(12);
    foreach ([['duration_minutes' => 90], ['starts_local' => '2026-12-09 10:00:00'], ['rrule' => 'FREQ=WEEKLY;COUNT=2'], ['all_day' => true, 'duration_minutes' => 1440, 'starts_local' => '2026-12-09 00:00:00']] as $change) {
        $meeting->update($change);
        app(LayDown::class)->anew($meeting->refresh());
        expect(($this->packed)($meeting->id))->toBe(($this->rows)($meeting->id));
    }
    // No day without a clock is held against others.
    expect(($this->packed)($meeting->id))->toBe([]);
    $meeting->delete();
    expect(DB::table('packed_meetings')->count())->toBe(0);
});

it('says on board and list what the rows say, where nothing is packed and where it is', function (): void {
    $ines = colleague('Inês Varela', 'Europe/Lisbon');
    $mere = colleague('Mere Tautari', 'Pacific/Auckland');
    $rosa = guest('rosa@anden.example', 'America/Lima');
    sent(meeting($this->coordinator, [$ines, $mere, $rosa], ['title' => 'Stock taking', 'starts_local' => '2026-12-08 15:00:00', 'duration_minutes' => 60]));
    $set = app(SetCalendar::class);
    $set->file($ines, 'a.ics', ($this->ics)("UID:a\r\nDTSTART:20261208T123000Z\r\nDTEND:20261208T131500Z\r\nSUMMARY:Dentist", "UID:b\r\nDTSTART:20261215T120000Z\r\nDTEND:20261215T130000Z\r\nSTATUS:TENTATIVE"));
    $set->file($rosa, 'b.ics', ($this->ics)("UID:c\r\nDTSTART:20261208T124500Z\r\nDTEND:20261208T140000Z", "UID:d\r\nDTSTART:20261222T120000Z\r\nDTEND:20261222T140000Z\r\nTRANSP:TRANSPARENT"));
    $plan = meeting($this->coordinator, [$this->coordinator->person, $ines, $mere, $rosa], ['starts_local' => '2026-12-08 15:30:00']);
    $plan->attendees()->where('person_id', $rosa->id)->update(['role' => 'optional']);
    $body = [...sheet($plan, ['startLocal' => '2026-12-08T15:30:00', 'rule' => repeats()]), 'meetingId' => $plan->id, 'index' => 0];
    $ask = fn(): array => [$this->postJson('/api/board', $body)->assertOk()->json('board'), array_diff_key($this->postJson('/api/times', $body)->assertOk()->json(), ['milliseconds' => 0])];
    $packed = $ask();
    expect($packed[1]['present']['clashDates'])->toBe(4)->and($packed[1]['present']['optionalBusy'])->toBe(4);
    DB::table('packed_calendars')->delete();
    expect($ask())->toBe($packed);
    DB::table('packed_meetings')->delete();
    expect($ask())->toBe($packed);
});

it('counts of thousands just those who are asked', function (): void {
    $now = now();
    $people = array_map(static fn(int $i): array => ['id' => Str::lower((string) Str::ulid()), 'kind' => PersonKind::Colleague->value, 'name' => "Crowd $i", 'email' => "c$i@crowd.example", 'email_key' => "c$i@crowd.example", 'email_domain' => 'crowd.example', 'list_key' => "c$i", 'zone' => 'Africa/Nairobi', 'created_at' => $now, 'updated_at' => $now], range(0, 449));
    usort($people, static fn(array $a, array $b): int => $a['id'] <=> $b['id']);
    DB::table('people')->insert($people);
    // Every tenth is not asked; those and every ninth have something at that time, in their calendar or planned here.
    $asked = array_values(array_filter($people, static fn(int $at): bool => $at % 10 !== 5, ARRAY_FILTER_USE_KEY));
    $ids = array_column($asked, 'id');
    $busy = array_values(array_filter(array_column($people, 'id'), static fn(string $id, int $at): bool => $at % 10 === 5 || $at % 9 === 0, ARRAY_FILTER_USE_BOTH));
    foreach (array_slice($busy, 0, 30) as $id) {
        app(SetCalendar::class)->file(App\People\Person::query()->findOrFail($id), 'a.ics', ($this->ics)("UID:$id\r\nDTSTART:20261208T123000Z\r\nDTEND:20261208T131500Z"));
    }
    $other = meeting($this->coordinator, [], ['starts_local' => '2026-12-08 15:00:00', 'rrule' => null, 'duration_minutes' => 60, 'title' => 'Stock taking']);
    foreach (array_slice($busy, 20) as $position => $id) {
        $other->attendees()->create(['person_id' => $id, 'position' => $position, 'role' => 'required']);
    }
    $other->update(['host_id' => $busy[40]]);
    sent($other->refresh());
    $plan = meeting($this->coordinator, [$this->coordinator->person], ['starts_local' => '2026-12-08 15:30:00', 'rrule' => null]);
    $body = [...sheet($plan, ['rule' => null, 'attendees' => [['personId' => $this->coordinator->person_id, 'role' => 'required'], ...array_map(static fn(string $id): array => ['personId' => $id, 'role' => 'optional'], $ids)]]), 'meetingId' => $plan->id, 'index' => 0];
    $expected = count(array_intersect($busy, $ids));

    expect($this->postJson('/api/times', $body)->assertOk()->json('present.optionalBusy'))->toBe($expected);
    $board = $this->postJson('/api/board', $body)->assertOk()->json('board');
    expect($board['people'])->toHaveCount(count($ids) + 1)
        ->and(array_filter($board['day']['standings'], static fn(array $s): bool => $s['clashes'] !== []))->toHaveCount($expected);
});
