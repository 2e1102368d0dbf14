<?php

declare(strict_types=1);

use App\People\Absence;
use App\People\Role;

use function Tests\Feature\account;
use function Tests\Feature\colleague;
use function Tests\Feature\guest;
use function Tests\Feature\meeting;
use function Tests\Feature\repeats;
use function Tests\Feature\sheet;

beforeEach(function (): void {
    $this->travelTo('2026-12-01T08:00:00Z');
    $this->wanjiru = account(Role::Coordinator, colleague('Wanjiru Achola', 'Africa/Nairobi'));
    $this->corin = colleague('Corin Hale', 'Australia/Perth');
    $this->lena = colleague('Lena Strand', 'Europe/Stockholm');
    $this->actingAs($this->wanjiru);
    $this->away = fn(array $values = []): array => ['fromOn' => '2026-12-10', 'untilOn' => '2026-12-10', 'standInId' => null, 'note' => '', 'showsNote' => false, ...$values];
    $this->add = fn(array $values = [], $person = null) => $this->postJson('/api/people/' . ($person ?? $this->corin)->id . '/absences', ($this->away)($values));
    $this->board = function (string $start, array $changes = []): array {
        $meeting = meeting($this->wanjiru, [$this->wanjiru->person, $this->corin]);

        return $this->postJson('/api/board', [...sheet($meeting, ['startLocal' => $start, 'rule' => null, ...$changes]), 'index' => 0])->assertOk()->json();
    };
});

it('counts as busy, by the person’s own midnights, and names who covers', function (): void {
    ($this->add)(['standInId' => $this->lena->id])->assertCreated();
    // In Perth it is the 10th from 19:00 Nairobi time on the 9th.
    $busy = fn(string $start): array => ($this->board)($start)['board']['dates'][0]['troubles'];
    $clash = static fn(array $troubles): array => array_merge(...array_column($troubles, 2));
    expect($clash($busy('2026-12-09T18:15:00')))->toBe([])
        ->and($clash($busy('2026-12-09T18:30:00')))->toBe(['away, Lena Strand stands in'])
        ->and($clash($busy('2026-12-10T18:45:00')))->toBe(['away, Lena Strand stands in'])
        ->and($clash($busy('2026-12-10T19:00:00')))->toBe([]);

    $away = ($this->board)('2026-12-10T10:00:00')['away'];
    expect([$away[0]['personId'], $away[0]['fromOn'], $away[0]['standIn']['name']])->toBe([$this->corin->id, '2026-12-10', 'Lena Strand'])
        // Of a series that passes it by nothing is said.
        ->and(($this->board)('2026-12-08T10:00:00', ['rule' => repeats()])['away'])->toBe([])
        ->and(($this->board)('2026-12-10T10:00:00', ['rule' => repeats(['days' => ['thu']])])['away'])->toHaveCount(1);
});

it('is read back before a meeting is sent', function (): void {
    ($this->add)(['fromOn' => '2026-12-21', 'untilOn' => '2027-01-08'])->assertCreated();
    $meeting = meeting($this->wanjiru, [$this->wanjiru->person, $this->corin], ['starts_local' => '2026-12-22 10:00:00', 'rrule' => null]);
    expect(array_column($this->getJson("/api/meetings/$meeting->id/read-back")->json('odd'), 'code'))->toContain('clash');
});

it('is the person’s own to say, with a note that others see only if they may', function (): void {
    $own = account(Role::Colleague, $this->corin);
    $this->actingAs($own);
    $id = ($this->add)(['note' => 'surgery', 'untilOn' => '2026-12-12'])->assertCreated()->assertJsonPath('note', 'surgery')->json('id');
    ($this->add)(['note' => 'field season', 'showsNote' => true, 'fromOn' => '2027-01-01', 'untilOn' => '2027-01-08'])->assertCreated();
    ($this->add)([], $this->lena)->assertNotFound();
    $this->getJson("/api/people/{$this->lena->id}/absences")->assertNotFound();

    $this->actingAs($this->wanjiru);
    expect($this->getJson("/api/people/{$this->corin->id}/absences")->assertOk()->json('absences.*.note'))->toBe([null, 'field season']);
    $this->deleteJson("/api/people/{$this->lena->id}/absences/$id")->assertNotFound();
    $this->actingAs($own)->deleteJson("/api/people/{$this->corin->id}/absences/$id")->assertNoContent();
    expect(Absence::query()->count())->toBe(1);
});

it('lists what is not over', function (): void {
    ($this->add)(['fromOn' => '2026-11-01', 'untilOn' => '2026-11-05'])->assertCreated();
    ($this->add)(['fromOn' => '2026-11-20', 'untilOn' => '2026-12-05'])->assertCreated();
    expect($this->getJson("/api/people/{$this->corin->id}/absences")->json('absences.*.fromOn'))->toBe(['2026-11-20']);
});

it('refuses what cannot be', function (array $values, string $field): void {
    ($this->add)(array_map(fn($v) => $v === 'self' ? $this->corin->id : $v, $values))->assertStatus(422)->assertJsonValidationErrors($field);
})->with([
    'an end before the beginning' => [['untilOn' => '2026-12-09'], 'untilOn'],
    'no day' => [['fromOn' => '31 Feb'], 'fromOn'],
    'themselves as stand-in' => [['standInId' => 'self'], 'standInId'],
    'nobody known as stand-in' => [['standInId' => 'nobody'], 'standInId'],
    'a long note' => [['note' => str_repeat('a', 201)], 'note'],
    'a year past the calendar' => [['fromOn' => '9999-01-01', 'untilOn' => '9999-01-02'], 'fromOn'],
]);

it('suggests colleagues to a colleague, and no outside guest', function (): void {
    guest('corinna@far.example');
    $names = fn(): array => $this->getJson('/api/people/suggest?q=cori')->assertOk()->json('*.email');
    expect($names())->toHaveCount(2);
    $this->actingAs(account(Role::Colleague));
    expect($names())->toBe([$this->corin->email]);
});

it('tells the coordinator who has become unavailable since they were told, until that is noted or the meeting changed', function (): void {
    $meeting = Tests\Feature\sent(meeting($this->wanjiru, [$this->wanjiru->person, $this->corin], ['starts_local' => '2026-12-08 10:00:00', 'rrule' => 'FREQ=WEEKLY;COUNT=4']));
    $needs = fn(): array => array_values(array_filter($this->getJson('/api/today')->assertOk()->json('needs'), static fn(array $n): bool => $n['code'] === 'away'));
    expect($needs())->toBe([]);
    $this->travel(1)->hours();
    $id = ($this->add)(['fromOn' => '2026-12-14', 'untilOn' => '2026-12-24', 'standInId' => $this->lena->id])->json('id');
    ($this->add)(['fromOn' => '2026-12-16', 'untilOn' => '2026-12-17'])->assertCreated();
    expect($needs())->toBe([['code' => 'away', 'absenceId' => $id, 'meetingId' => $meeting->id, 'title' => 'Grower exchange', 'name' => 'Corin Hale', 'standIn' => 'Lena Strand', 'dates' => 2, 'firstLocal' => '2026-12-15T10:00:00']]);

    $note = fn(bool $noted) => $this->postJson("/api/meetings/$meeting->id/absences/$id/noted", ['noted' => $noted])->assertNoContent();
    $note(true);
    expect($needs())->toBe([]);
    $note(false);
    expect($needs())->toHaveCount(1);
    // Another coordinator's meetings are not theirs.
    $this->actingAs(account(Role::Coordinator));
    expect($needs())->toBe([]);
    $this->actingAs($this->wanjiru);
    $meeting->update(['changed_at' => now()->addMinute()]);
    expect($needs())->toBe([]);
});
