<?php

declare(strict_types=1);

use App\People\Role;

use function Tests\Feature\account;
use function Tests\Feature\colleague;
use function Tests\Feature\guest;
use function Tests\Feature\meeting;
use function Tests\Feature\sent;

beforeEach(function (): void {
    $this->travelTo('2026-11-25T09:00:00Z');
    $this->coordinator = account(Role::Coordinator, colleague('Wanjiru Achola'));
    $this->actingAs($this->coordinator);
    $this->mere = colleague('Mere Tautari', 'Pacific/Auckland');
    $this->ines = colleague('Inês Varela', 'Europe/Lisbon');
    $this->rows = fn(string $asked = 'from=2026-12-01&weeks=4'): array => array_map(static fn(array $r): array => [$r['name'], $r['meetings'], $r['nights'], $r['outside'], $r['minutes']], $this->getJson("/api/burden?$asked")->assertOk()->json('rows'));
});

it('counts over all meetings of a period who sits outside their hours how often and how long, the most burdened first', function (): void {
    // 15:30 in Nairobi is 01:30 in Auckland and 12:30 in Lisbon; 19:00 there is 16:00 in Lisbon.
    sent(meeting($this->coordinator, [$this->coordinator->person, $this->mere, $this->ines, guest('lena@orchard.example', 'Europe/Lisbon')], ['starts_local' => '2026-12-08 15:30:00', 'rrule' => 'FREQ=WEEKLY;COUNT=3', 'duration_minutes' => 60]));
    sent(meeting($this->coordinator, [$this->coordinator->person, $this->ines], ['starts_local' => '2026-12-09 18:30:00', 'rrule' => null, 'duration_minutes' => 30]));
    $report = $this->getJson('/api/burden?from=2026-12-01&weeks=4')->assertOk()->json();

    expect(($this->rows)())->toBe([['Mere Tautari', 3, 3, 3, 180], ['Wanjiru Achola', 4, 0, 1, 30], ['Inês Varela', 4, 0, 0, 0]])
        ->and($report['rows'][0])->toMatchArray(['city' => 'Auckland', 'farthest' => 450, 'farthestLocal' => '2026-12-09T01:30:00'])
        ->and($report)->toMatchArray(['until' => '2026-12-28', 'people' => 3, 'unplaced' => 0, 'total' => 3]);
});

it('leaves out what is no meeting of theirs then', function (Closure $change): void {
    $meeting = sent(meeting($this->coordinator, [$this->mere], ['starts_local' => '2026-12-08 15:30:00', 'rrule' => null]));
    $change->call($this, $meeting);

    expect(($this->rows)())->toBe([]);
})->with([
    'declined' => [fn($meeting) => $meeting->attendees()->update(['partstat' => 'declined'])],
    'called off' => [fn($meeting) => $meeting->update(['status' => 'called_off'])],
    'takes no time' => [fn($meeting) => $meeting->update(['takes_no_time' => true])],
    'left' => [fn() => $this->mere->update(['left_at' => now()])],
    'no place' => [fn() => $this->mere->update(['zone' => null])],
]);

it('looks at a period from midnight to midnight of whoever asks, and at one team', function (): void {
    foreach (['2026-11-30 23:30:00', '2026-12-01 00:30:00', '2026-12-28 23:30:00', '2026-12-29 00:30:00'] as $start) {
        sent(meeting($this->coordinator, [$this->mere, $this->ines], ['starts_local' => $start, 'rrule' => null, 'duration_minutes' => 30]));
    }
    $team = $this->postJson('/api/teams', ['name' => 'Southern gardens'])->assertSuccessful()->json('id');
    $this->postJson("/api/teams/$team/members", ['add' => [$this->mere->id], 'remove' => []])->assertSuccessful();

    expect(array_column(($this->rows)(), 1))->toBe([2, 2])
        ->and(array_column(($this->rows)("from=2026-12-01&weeks=4&team=$team"), 0))->toBe(['Mere Tautari'])
        ->and($this->getJson('/api/burden')->json('from'))->toBe('2026-11-25');
});

it('refuses a period that is none', function (string $asked): void {
    $this->getJson("/api/burden?$asked")->assertUnprocessable();
})->with(['from=yesterday', 'from=2026-02-31', 'weeks=5', 'team=nobody', 'page=0', 'from=9999-01-01']);

it('is for those who plan', function (): void {
    $this->actingAs(account(Role::Colleague, $this->ines))->getJson('/api/burden')->assertForbidden();
});
