<?php

declare(strict_types=1);

use App\People\Role;
use App\Planning\MeetingStatus;

use function Tests\Feature\account;
use function Tests\Feature\colleague;
use function Tests\Feature\guest;
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
    $this->meeting = meeting($this->coordinator, [$this->coordinator->person, $this->ines, $this->mere, guest('lena@orchard.example')], ['starts_local' => '2026-12-08 15:30:00']);
    $this->board = fn(array $changes = []) => $this->postJson('/api/board', [...sheet($this->meeting, ['startLocal' => '2026-12-08T15:30:00', ...$changes]), 'meetingId' => $this->meeting->id, 'index' => 0]);
});

it('gives every clock, every clash and every night in one answer', function (): void {
    sent(meeting($this->coordinator, [$this->ines], ['title' => 'Stock taking', 'starts_local' => '2026-12-15 12:00:00', 'zone' => 'Europe/Lisbon', 'duration_minutes' => 60, 'rrule' => null]));
    $answer = ($this->board)()->assertOk()->json();

    expect(array_map(static fn($p) => $p['places'][0] ?? 'unknown', $answer['board']['day']['panes']))->toBe(['Lisbon', 'Nairobi', 'Auckland', 'unknown'])
        ->and(implode('', array_column($answer['sentence'], 'text')))->toBe('every Tuesday at 15:30 Nairobi time for 45 minutes, 4 times from 8 December 2026')
        ->and(array_column($answer['board']['dates'], 'free'))->toBe([3, 2, 3, 3])->and(array_column($answer['board']['dates'], 'unknown'))->toBe([1, 1, 1, 1])
        ->and($answer['board']['dates'][1]['troubles'][0])->toBe([array_search($this->ines->id, $answer['board']['people'], true), 'in_hours', ['Stock taking'], 'busy'])
        ->and($answer['board']['summary'])->toMatchArray(['required' => 4, 'unknown' => 1, 'dates' => 4, 'free' => 3, 'busy' => [['id' => $this->ines->id, 'dates' => 1]]])
        ->and(collect($answer['board']['day']['standings'])->firstWhere('id', $this->mere->id))->toMatchArray(['local' => '2026-12-09T01:30:00', 'light' => 'night']);
});

it('does not let a meeting collide with itself, nor with drafts or what was called off', function (string $status, bool $collides): void {
    $other = sent(meeting($this->coordinator, [$this->ines], ['starts_local' => '2026-12-08 15:30:00', 'rrule' => null]));
    $other->update(['status' => MeetingStatus::from($status)]);

    expect(($this->board)()->json('board.dates.0.free'))->toBe($collides ? 2 : 3);
})->with([['sent', true], ['kept', true], ['draft', false], ['called_off', false]]);

it('moves onto the rule and says from where', function (): void {
    ($this->board)(['startLocal' => '2026-12-07T15:30:00'])->assertJson(['movedFrom' => '2026-12-07T15:30:00', 'startLocal' => '2026-12-08T15:30:00']);
});

it('says what letting the bar go makes of the series', function (int $minutes, string $start, array $days): void {
    $this->postJson('/api/board', [...sheet($this->meeting, ['startLocal' => '2026-12-08T15:30:00', 'rule' => repeats()]), 'index' => 0, 'shiftMinutes' => $minutes])
        ->assertOk()->assertJson(['startLocal' => $start, 'rule' => ['days' => $days]]);
})->with(['earlier that day' => [-135, '2026-12-08T13:15:00', ['tue']], 'past midnight' => [600, '2026-12-09T01:30:00', ['wed']]]);

it('answers without anybody, for one date, all day, without end', function (array $changes): void {
    ($this->board)($changes)->assertOk();
})->with([
    'nobody' => [['attendees' => [], 'hostId' => null]],
    'once' => [['rule' => null]],
    'all day' => [['allDay' => true, 'durationMinutes' => 2880, 'startLocal' => '2026-12-08T00:00:00']],
    'no end' => [['rule' => repeats(['end' => 'open'])]],
    'all night over the change of clocks' => [['startLocal' => '2027-03-27T20:00:00', 'zone' => 'Europe/Lisbon', 'durationMinutes' => 1200, 'rule' => null]],
]);

it('keeps an all-day meeting on its day for everybody, however far west or east', function (): void {
    $this->meeting->attendees()->create(['person_id' => colleague('Lucía Paredes', 'America/Lima')->id, 'position' => 9, 'role' => 'required']);
    $board = ($this->board)(['allDay' => true, 'durationMinutes' => 1440, 'startLocal' => '2026-12-08T00:00:00', 'attendees' => $this->meeting->refresh()->attendees->map(static fn($a): array => ['personId' => $a->person_id, 'role' => 'required'])->all()])->assertOk()->json('board');

    expect(collect($board['day']['standings'])->whereNotNull('local')->pluck('local')->unique()->values()->all())->toBe(['2026-12-08T00:00:00']);
});

it('names no more dates than it judges, and says that there are more', function (): void {
    $answer = ($this->board)(['rule' => repeats(['end' => 'open'])])->json();

    expect($answer['board']['dates'])->toHaveCount(104)->and($answer['complete'])->toBeFalse()->and($answer['open'])->toBeTrue();
});

it('takes moved dates along with the whole, and leaves them where only the start comes onto its rule', function (int $minutes, string $start, array $expected): void {
    $move = ['dropped' => ['2026-12-15T15:30:00'], 'extra' => ['2026-12-16T10:00:00'], 'moved' => [['date' => '2026-12-15T15:30:00', 'to' => '2026-12-16T10:00:00']]];
    $this->postJson('/api/board', [...sheet($this->meeting, ['startLocal' => $start, 'rule' => repeats(), ...$move]), 'index' => 0, 'shiftMinutes' => $minutes])->assertOk()->assertJson(['moved' => $expected]);
})->with([
    'half an hour later' => [30, '2026-12-08T15:30:00', [['date' => '2026-12-15T16:00:00', 'to' => '2026-12-16T10:30:00']]],
    'not at all' => [0, '2026-12-08T15:30:00', [['date' => '2026-12-15T15:30:00', 'to' => '2026-12-16T10:00:00']]],
    'begun on a Monday' => [0, '2026-12-07T15:30:00', [['date' => '2026-12-15T15:30:00', 'to' => '2026-12-16T10:00:00']]],
]);
