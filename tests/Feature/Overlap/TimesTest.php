<?php

declare(strict_types=1);

use App\HouseRules\HouseRules;
use App\People\Role;
use Illuminate\Support\Facades\DB;

use function Tests\Feature\account;
use function Tests\Feature\colleague;
use function Tests\Feature\delivered;
use function Tests\Feature\icsTo;
use function Tests\Feature\meeting;
use function Tests\Feature\repeats;
use function Tests\Feature\sent;
use function Tests\Feature\sheet;

beforeEach(function (): void {
    $this->travelTo('2026-11-25T09:00:00Z');
    $this->coordinator = account(Role::Coordinator, colleague('Wanjiru Achola'));
    $this->actingAs($this->coordinator);
    $this->ines = colleague('Inês Varela', 'Europe/Lisbon');
    $this->mere = colleague('Mere Tautari', 'Pacific/Auckland');
    $this->plan = function (array $people, array $changes = []): array {
        $this->meeting = meeting($this->coordinator, $people, ['starts_local' => '2026-12-08 15:30:00']);

        return [...sheet($this->meeting, ['startLocal' => '2026-12-08T15:30:00', 'rule' => repeats(), ...$changes]), 'meetingId' => $this->meeting->id, 'index' => 0];
    };
    $this->busy = fn(array $people, string $start, string $zone, array $values = []) => sent(meeting($this->coordinator, $people, ['title' => 'Stock taking', 'starts_local' => $start, 'zone' => $zone, 'duration_minutes' => 60, 'rrule' => null, ...$values]));
});

it('ranks times that hold before those that nearly do, with the present one, who pays and the ways out', function (): void {
    ($this->busy)([$this->ines], '2026-12-15 12:00:00', 'Europe/Lisbon');
    $answer = $this->postJson('/api/times', ($this->plan)([$this->coordinator->person, $this->ines]))->assertOk()->json();
    $at = array_flip($answer['people']);

    expect($answer['present'])->toMatchArray(['shiftMinutes' => 0, 'wall' => '2026-12-08T15:30:00', 'clashDates' => 1, 'offHours' => 0])
        ->and($answer['present']['clashes'][0])->toMatchArray(['index' => 1, 'people' => [$at[$this->ines->id]], 'moveTo' => '2026-12-15T16:00:00', 'couldFrom' => '2026-12-15T16:00:00', 'standIn' => null])
        ->and($answer['held'][0])->toMatchArray(['shiftMinutes' => 30, 'wall' => '2026-12-08T16:00:00', 'clashDates' => 0, 'offHours' => 0, 'worse' => []])
        ->and(array_unique(array_column($answer['held'], 'clashDates')))->toBe([0])
        ->and($answer['rota'])->toBeNull()->and($answer['days'])->toBe([-3, 3]);
    // A time that is told is free when it is asked for.
    foreach ($answer['held'] as $time) {
        $board = $this->postJson('/api/board', [...($this->plan)([$this->coordinator->person, $this->ines]), 'shiftMinutes' => $time['shiftMinutes'], 'moveAs' => 'dates'])->assertOk()->json();
        expect($board['startLocal'])->toBe($time['wall'])->and(array_column($board['board']['dates'], 'free'))->toBe([2, 2, 2, 2]);
    }
});

it('takes who is perhaps busy for free, and says so; who is away for busy', function (): void {
    ($this->busy)([$this->ines], '2026-12-15 12:00:00', 'Europe/Lisbon')->attendees()->update(['partstat' => 'tentative']);
    $this->postJson("/api/people/{$this->mere->id}/absences", ['fromOn' => '2026-12-22', 'untilOn' => '2026-12-24', 'standInId' => null, 'note' => '', 'showsNote' => false])->assertSuccessful();
    $answer = $this->postJson('/api/times', ($this->plan)([$this->ines, $this->mere]))->assertOk()->json();
    $at = array_flip($answer['people']);

    expect($answer['present']['perhaps'])->toBe([[$at[$this->ines->id], 1]])
        ->and(array_column($answer['present']['clashes'], 'index'))->toBe([2])
        ->and($answer['present']['clashes'][0]['away'])->toBe([$at[$this->mere->id]]);
});

it('counts nobody on a date to which they are not asked', function (): void {
    ($this->busy)([$this->ines], '2026-12-15 12:00:00', 'Europe/Lisbon');
    $sheet = ($this->plan)([$this->coordinator->person, $this->ines]);
    $own = ['own' => [['date' => '2026-12-15T15:30:00', 'minutes' => null, 'title' => null, 'place' => null, 'people' => [['personId' => $this->coordinator->person_id, 'role' => 'required']]]], 'ownDates' => ['2026-12-15T15:30:00']];
    $answer = $this->postJson('/api/times', [...$sheet, ...$own])->assertOk()->json();
    $board = $this->postJson('/api/board', [...$sheet, ...$own])->assertOk()->json('board');
    $moved = $this->postJson('/api/board', [...$sheet, ...$own, 'shiftMinutes' => -30])->assertOk()->json('board');

    expect($answer['present']['clashDates'])->toBe(0)
        ->and(array_column($board['dates'], 'required'))->toBe([2, 1, 2, 2])->and(array_column($board['dates'], 'free'))->toBe([2, 1, 2, 2])
        ->and(array_column($moved['dates'], 'required'))->toBe([2, 1, 2, 2]);
});

it('names the stand-in of who is busy, as long as they can come and are not asked yet', function (Closure $prepare, bool $isNamed): void {
    $lena = colleague('Lena Strand', 'Europe/Lisbon');
    $this->ines->update(['stand_in_id' => $lena->id]);
    ($this->busy)([$this->ines], '2026-12-15 12:00:00', 'Europe/Lisbon');
    $asked = $prepare->call($this, $lena);
    $answer = $this->postJson('/api/times', ($this->plan)([$this->coordinator->person, $this->ines, ...$asked]))->assertOk()->json();

    expect($answer['present']['clashes'][0]['standIn']['id'] ?? null)->toBe($isNamed ? $lena->id : null);
})->with([
    'free' => [fn(): array => [], true],
    'busy themselves' => [function ($lena): array {
        ($this->busy)([$lena], '2026-12-15 12:45:00', 'Europe/Lisbon');

        return [];
    }, false],
    'busy on another date' => [function ($lena): array {
        ($this->busy)([$lena], '2026-12-22 12:30:00', 'Europe/Lisbon');

        return [];
    }, true],
    'busy in their own calendar' => [function ($lena): array {
        $calendar = DB::table('calendars')->insertGetId(['person_id' => $lena->id, 'kind' => 'file', 'label' => 'lena.ics', 'state' => 'read', 'read_at' => now()]);
        DB::table('busy_times')->insert(['calendar_id' => $calendar, 'person_id' => $lena->id, 'key' => 'a', 'starts_at' => '2026-12-15 12:45:00', 'ends_at' => '2026-12-15 13:00:00', 'kind' => 'busy']);

        return [];
    }, false],
    'asked already' => [fn($lena): array => [$lena], false],
    'left' => [function ($lena): array {
        $lena->update(['left_at' => now()]);

        return [];
    }, false],
]);

it('keeps to the pause of the house, and looks at weekends only when asked', function (): void {
    app(HouseRules::class)->set(['pauseMinutes' => 15]);
    ($this->busy)([$this->ines], '2026-12-08 13:15:00', 'Europe/Lisbon');
    $answer = $this->postJson('/api/times', ($this->plan)([$this->ines]))->json();

    expect($answer['present'])->toMatchArray(['unwished' => 1, 'noPause' => [[0, 1]]])
        ->and($answer['held'][0])->toMatchArray(['wall' => '2026-12-08T15:15:00', 'noPause' => []])
        ->and($answer['looked'])->toBe(5 * 96 - 1)
        ->and($this->postJson('/api/times', [...($this->plan)([$this->ines]), 'anyDay' => true])->json('looked'))->toBe(7 * 96 - 1);
});

it('keeps to the wishes of the house where that costs nothing that weighs more', function (array $rules, string $wall): void {
    $this->putJson('/api/house-rules', $rules)->assertForbidden();
    $this->actingAs(account(Role::Administrator))->putJson('/api/house-rules', $rules)->assertOk();
    $this->actingAs($this->coordinator);
    foreach (['09:00', '09:30'] as $clock) {
        ($this->busy)([$this->ines], "2026-12-08 $clock:00", 'Europe/Lisbon', ['duration_minutes' => 15]);
    }
    $answer = $this->postJson('/api/times', ($this->plan)([$this->ines], ['rule' => null]))->json();

    expect(($answer['held'][0] ?? $answer['present'])['wall'])->toBe($wall)
        ->and($answer['present']['unwished'])->toBe($answer['held'] === [] ? 0 : 1);
})->with([
    'none' => [['noticeHours' => 0, 'mostADay' => null, 'quietHours' => null], '2026-12-08T15:30:00'],
    'notice of two weeks' => [['noticeHours' => 13 * 24 + 4], '2026-12-08T16:00:00'],
    'two meetings a day' => [['mostADay' => 2], '2026-12-07T19:15:00'],
    'quiet hours' => [['quietHours' => '12:00-13:00'], '2026-12-08T16:00:00'],
]);

it('keeps clear of the quiet hours of each who is required, which stand in place of those of the house', function (array $own, ?string $house, string $wall): void {
    $this->actingAs(account(Role::Administrator))->putJson('/api/house-rules', ['quietHours' => $house])->assertOk();
    $this->actingAs($this->coordinator)->patchJson("/api/people/{$this->ines->id}", ['quietHours' => $own])->assertOk();
    $answer = $this->postJson('/api/times', ($this->plan)([$this->ines], ['rule' => null]))->json();

    expect(($answer['held'][0] ?? $answer['present'])['wall'])->toBe($wall)
        ->and($this->getJson("/api/people/{$this->ines->id}")->json())->toMatchArray(['quietHours' => $own, 'houseQuiet' => $house]);
})->with([
    'none' => [[], null, '2026-12-08T15:30:00'],
    'their own' => [['tue' => [['12:00', '13:00']]], null, '2026-12-08T16:00:00'],
    'of the house' => [[], '12:00-13:00', '2026-12-08T16:00:00'],
    'their own, on another day, in place of those' => [['wed' => [['12:00', '13:00']]], '12:00-13:00', '2026-12-08T15:30:00'],
]);

it('says what one change would open where nothing holds', function (): void {
    ($this->busy)([$this->ines], '2026-12-01 00:00:00', 'Europe/Lisbon', ['duration_minutes' => 1440, 'rrule' => 'FREQ=DAILY;COUNT=60']);
    $answer = $this->postJson('/api/times', ($this->plan)([$this->coordinator->person, $this->ines]))->json();

    expect($answer['holding'])->toBe(0)->and($answer['held'])->toBe([])
        ->and($answer['openings'][0]['without'])->toBe(array_flip($answer['people'])[$this->ines->id]);
});

it('offers a rota where no time is fair, which is one series in every calendar', function (): void {
    $people = [$this->coordinator->person, $this->mere, colleague('Lucía Paredes', 'America/Lima')];
    $sheet = ($this->plan)($people, ['rule' => repeats(['count' => 6])]);
    $answer = $this->postJson('/api/times', $sheet)->assertOk()->json();
    $rota = $answer['rota'];
    $nights = static fn(array $burden): int => max(array_column($burden, 0));

    expect($nights($rota['burden']))->toBeLessThan($nights($answer['present']['burden']))
        ->and($rota['turns'])->toHaveCount(6)->and($rota['busy'])->toBe([])->and($rota['weighed'])->toBe(6);

    $taken = $this->postJson('/api/board', [...$sheet, 'turns' => $rota['shifts']])->assertOk()->json();
    $clocks = array_map(static fn(array $date): string => substr($date['wall'], 11, 5), $taken['board']['dates']);
    expect($clocks)->toBe(array_map(static fn(int $turn): string => $rota['times'][$turn], $rota['turns']))
        ->and(count($taken['moved']))->toBe(count(array_filter($clocks, static fn(string $clock): bool => $clock !== substr($taken['startLocal'], 11, 5))));

    // Kept and sent: one UID, one RRULE, the other times as dates of their own with RECURRENCE-ID (RFC 5545 3.8.4.4).
    $this->putJson("/api/meetings/{$this->meeting->id}", [...$sheet, 'version' => $this->meeting->version, ...array_intersect_key($taken, array_flip(['startLocal', 'rule', 'dropped', 'extra', 'moved']))])->assertOk();
    delivered(sent($this->meeting->refresh()));
    $ics = icsTo($this->mere->email);
    expect(substr_count($ics, 'RRULE:'))->toBe(1)
        ->and(substr_count($ics, 'RECURRENCE-ID'))->toBe(count($taken['moved']))
        ->and(count(array_unique(preg_match_all('/^UID:.*$/m', $ics, $uids) > 0 ? $uids[0] : [])))->toBe(1)
        ->and($ics)->not->toContain('RDATE');
});

it('refuses turns that are none, and says which', function (array $turns, int $status): void {
    $this->postJson('/api/board', [...($this->plan)([$this->ines]), 'turns' => $turns])->assertStatus($status);
})->with([
    'as they are' => [[0, 0, 0, 0], 200], 'fewer than dates' => [[60], 200], 'more than dates' => [[0, 0, 0, 0, 60, 60], 200],
    'onto one another' => [[0, 1440, 0, -1440], 200], 'not a number' => [['x'], 422], 'farther than a day' => [[1441], 422], 'too many' => [array_fill(0, 105, 0), 422],
]);

it('answers without anybody, without places, all day and without end', function (array $changes): void {
    $this->postJson('/api/times', ($this->plan)([$this->ines], $changes))->assertOk()->assertJson(['rota' => null]);
})->with([
    'nobody' => [['attendees' => [], 'hostId' => null]], 'once' => [['rule' => null]], 'all day' => [['allDay' => true, 'durationMinutes' => 1440, 'startLocal' => '2026-12-08T00:00:00']],
    'more dates than are judged' => [['rule' => repeats(['count' => 120]), 'startLocal' => '2026-12-08T03:00:00']], 'no end' => [['rule' => repeats(['end' => 'open']), 'startLocal' => '2026-12-08T03:00:00']], 'a whole day' => [['durationMinutes' => 1440]],
]);
