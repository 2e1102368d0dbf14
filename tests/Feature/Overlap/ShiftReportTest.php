<?php

declare(strict_types=1);

use App\People\Role;

use function Tests\Feature\account;
use function Tests\Feature\colleague;
use function Tests\Feature\guest;
use function Tests\Feature\meeting;
use function Tests\Feature\repeats;
use function Tests\Feature\sheet;

beforeEach(function (): void {
    $this->travelTo('2026-11-25T09:00:00Z');
    $this->coordinator = account(Role::Coordinator, colleague('Wanjiru Achola'));
    $this->actingAs($this->coordinator);
    $people = [$this->coordinator->person, colleague('Inês Varela', 'Europe/Lisbon'), colleague('Tomás Sequeira', 'Europe/Lisbon', ['hours' => ['tue' => [['09:00', '13:30']]]]), guest('lena@orchard.example')];
    $this->meeting = meeting($this->coordinator, $people, ['starts_local' => '2027-03-02 15:30:00', 'rrule' => 'FREQ=WEEKLY;COUNT=8']);
});

it('names who moves, from which date on and to what, and who sits outside their hours', function (): void {
    $report = $this->getJson("/api/meetings/{$this->meeting->id}/shifts")->assertOk()->json();

    expect($report['dates'])->toBe(8)->and($report['unplaced'])->toBe(['lena@orchard.example'])
        ->and(array_map(static fn($p) => [$p['name'], $p['changes'], count($p['outside'])], $report['people']))->toBe([
            ['Wanjiru Achola', [], 0],
            ['Inês Varela', [['on' => '2027-03-30T13:30:00', 'was' => '12:30', 'now' => '13:30']], 0],
            ['Tomás Sequeira', [['on' => '2027-03-30T13:30:00', 'was' => '12:30', 'now' => '13:30']], 4],
        ]);
});

it('gives the same as CSV, and no field that a spreadsheet would run', function (): void {
    $this->meeting->attendees()->where('position', 1)->firstOrFail()->person->update(['name' => '=HYPERLINK("x"), Inês']);
    $csv = (string) $this->get("/api/meetings/{$this->meeting->id}/shifts.csv")->assertOk()->getContent();
    $lines = explode("\r\n", rtrim($csv, "\r\n"));

    expect($lines[0])->toBe('person,place,what,"local date",from,to')
        ->and($lines[1])->toBe('"\'=HYPERLINK(""x""), Inês",Lisbon,"clock moves",2027-03-30,12:30,13:30')
        ->and($lines)->toHaveCount(1 + 2 + 4);
});

it('advises another anchor on the sheet, and takes it in one press', function (): void {
    $body = sheet($this->meeting, ['startLocal' => '2027-03-02T15:30:00', 'rule' => repeats(['count' => 8])]);
    $this->postJson('/api/board', [...$body, 'index' => 0])->assertOk()->assertJson(['anchors' => [['city' => 'Nairobi', 'people' => 2], ['city' => 'Lisbon', 'people' => 1]]]);
    $this->postJson('/api/board', [...$body, 'index' => 0, 'anchorIn' => 'Europe/Lisbon'])->assertOk()
        ->assertJson(['zone' => 'Europe/Lisbon', 'startLocal' => '2027-03-02T12:30:00', 'movedFrom' => null, 'anchors' => [['city' => 'Lisbon', 'people' => 1]]]);
});
