<?php

declare(strict_types=1);

use App\People\Role;
use App\Planning\Meeting;

use function Tests\Feature\account;
use function Tests\Feature\colleague;
use function Tests\Feature\meeting;
use function Tests\Feature\repeats;
use function Tests\Feature\sheet;

/**
 * @param  array<string, mixed>  $changes
 * @return array<string, mixed> the rule of a sheet by its parts
 */
function parts(array $changes = []): array
{
    return [
        'by' => 'parts', 'frequency' => 'monthly', 'interval' => 1, 'weekStart' => 'mon', 'days' => [], 'monthDays' => [], 'yearDays' => [], 'weeks' => [], 'months' => [], 'positions' => [],
        'hours' => [], 'minutes' => [], 'seconds' => [], 'skip' => 'omit', 'end' => 'count', 'count' => 6, 'untilOn' => null, ...$changes,
    ];
}

const WORKING_DAYS = [['nth' => 0, 'day' => 'mon'], ['nth' => 0, 'day' => 'tue'], ['nth' => 0, 'day' => 'wed'], ['nth' => 0, 'day' => 'thu'], ['nth' => 0, 'day' => 'fri']];

beforeEach(function (): void {
    $this->coordinator = account(Role::Coordinator, colleague('Wanjiru Achola'));
    $this->actingAs($this->coordinator);
    $this->meeting = meeting($this->coordinator, [$this->coordinator->person]);
    $this->at = '2027-03-02T15:30:00';
    $this->keep = fn(array $changes) => $this->putJson("/api/meetings/{$this->meeting->id}", sheet($this->meeting->refresh(), ['startLocal' => $this->at, ...$changes]));
    $this->look = fn(array $changes = []) => $this->postJson('/api/series', sheet($this->meeting, ['startLocal' => $this->at, ...$changes]));
});

it('keeps a rule by its parts, and gives it back by its parts', function (): void {
    $parts = parts(['days' => WORKING_DAYS, 'positions' => [-2]]);
    ($this->keep)(['rule' => $parts])->assertOk()
        ->assertJson(['rule' => $parts, 'startLocal' => '2027-03-30T15:30:00']);
    expect($this->meeting->refresh()->rrule)->toBe('FREQ=MONTHLY;COUNT=6;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-2');
});

it('gives a rule that was made by its parts back to the small editor where that can say it', function (): void {
    ($this->keep)(['rule' => parts(['days' => WORKING_DAYS, 'positions' => [-1]])])->assertOk()
        ->assertJson(['rule' => ['by' => 'words', 'every' => 'month', 'monthBy' => 'workingDay', 'count' => 6], 'startLocal' => '2027-03-31T15:30:00']);
});

it('says what a way of repeating comes to: the sentence, the next dates, how many', function (array $changes, array $expected): void {
    $said = ($this->look)($changes)->assertOk()->json();

    expect([implode('', array_column($said['sentence'], 'text')), $said['next'], $said['dates'], $said['complete'], $said['odd']])->toBe($expected);
})->with([
    'the last working day' => [['rule' => parts(['days' => WORKING_DAYS, 'positions' => [-1], 'count' => 3])], ['on the last working day of every month at 15:30 Nairobi time for 45 minutes, 3 times from 31 March 2027', ['2027-03-31T15:30:00', '2027-04-30T15:30:00', '2027-05-31T15:30:00'], 3, true, []]],
    'once' => [['rule' => null], ['on Tuesday 2 March 2027 at 15:30 Nairobi time for 45 minutes', ['2027-03-02T15:30:00'], 1, true, []]],
    'too odd for words' => [['rule' => parts(['frequency' => 'yearly', 'yearDays' => [100], 'days' => [['nth' => 0, 'day' => 'mon']], 'count' => 2])], ['by a rule of its own at 15:30 Nairobi time for 45 minutes, 2 times from 10 April 2034', ['2034-04-10T15:30:00', '2040-04-09T15:30:00'], 2, true, ['BYDAY=MO', 'BYYEARDAY=100']]],
]);

it('says whether there are more dates than most would mean', function (array $changes, array $expected): void {
    expect(array_intersect_key(($this->look)($changes)->assertOk()->json(), ['dates' => 0, 'complete' => 0, 'many' => 0]))->toBe($expected);
})->with([
    'a thousand' => [['rule' => repeats(['every' => 'day', 'count' => 1000])], ['dates' => 1000, 'complete' => true, 'many' => false]],
    'one more' => [['rule' => parts(['frequency' => 'daily', 'count' => 1001])], ['dates' => 1001, 'complete' => true, 'many' => true]],
    'more than are counted' => [['rule' => parts(['frequency' => 'daily', 'count' => 30000])], ['dates' => 20000, 'complete' => false, 'many' => true]],
    'no end' => [['rule' => repeats(['end' => 'open'])], ['dates' => null, 'complete' => true, 'many' => false]],
]);

it('names the part of a rule that cannot be', function (array $parts, string $field, string $said): void {
    ($this->look)(['rule' => parts($parts)])->assertStatus(422)->assertJson(['errors' => [$field => [$said]]]);
    ($this->keep)(['rule' => parts($parts)])->assertStatus(422);

    expect($this->meeting->refresh()->rrule)->toBe('FREQ=WEEKLY;COUNT=4');
})->with([
    [['monthDays' => [40]], 'rule.monthDays', 'Take days from 1 to 31, or −1 to −31 counted from the end of the month; not for a rule by weeks.'],
    [['weeks' => [20]], 'rule.weeks', 'Take weeks from 1 to 53, or −1 to −53 counted from the end; only for a rule by years, without numbered weekdays.'],
    [['positions' => [1]], 'rule.positions', 'Take numbers from 1 to 366, or −1 to −366; they choose among the dates that another part names.'],
    [['frequency' => 'yearly', 'months' => [2], 'monthDays' => [30]], 'rule', 'No date matches how this meeting repeats.'],
]);

it('asks before it keeps more than a thousand dates, and keeps them when told so', function (): void {
    $many = ['rule' => repeats(['every' => 'day', 'end' => 'until', 'untilOn' => '2031-03-02'])];
    ($this->keep)($many)->assertStatus(422)->assertJson(['code' => 'many_dates', 'message' => 'That makes 1,462 dates. Nothing is changed until you say yes.', 'details' => ['dates' => 1462]]);
    expect($this->meeting->refresh()->rrule)->toBe('FREQ=WEEKLY;COUNT=4');

    ($this->keep)([...$many, 'manyAgreed' => true])->assertOk();
    // What was agreed to once is not asked again.
    ($this->keep)([...$many, 'title' => 'Daily round'])->assertOk();
});

it('reads a typed sentence into a sheet', function (string $text, array $expected): void {
    $this->travelTo('2026-12-01T08:00:00Z');
    $read = $this->postJson('/api/sentence', ['text' => $text, 'zone' => 'Africa/Nairobi'])->assertOk()->json();

    expect(array_intersect_key($read, $expected))->toBe($expected);
})->with([
    'as it is written' => ['every second Tuesday at 15:30 Nairobi time for 45 minutes, 12 times from 8 December 2026', ['startLocal' => '2026-12-08T15:30:00', 'zone' => 'Africa/Nairobi', 'allDay' => false, 'durationMinutes' => 45]],
    'as it is typed' => ['weekly tue+thu 9.30 lisbon 30min from 12 jan, 10x', ['startLocal' => '2027-01-12T09:30:00', 'zone' => 'Europe/Lisbon', 'durationMinutes' => 30]],
    'by days' => ['every day, all day, from 3 december 2026, 3 times', ['startLocal' => '2026-12-03T00:00:00', 'zone' => 'Africa/Nairobi', 'allDay' => true, 'durationMinutes' => 1440]],
    'with single dates' => ['every tuesday at 10:00, 3 times from 8 December 2026, except 15 December', ['startLocal' => '2026-12-08T10:00:00', 'dropped' => ['2026-12-15T10:00:00']]],
]);

it('takes the time of the sheet where none is said, and offers what was probably meant', function (): void {
    $this->postJson('/api/sentence', ['text' => 'every Tuesday', 'zone' => 'Africa/Nairobi', 'time' => '2026-12-08T14:10:00'])->assertOk()
        ->assertJsonPath('usualTime', true)->assertJsonPath('startLocal', fn(string $start): bool => str_ends_with($start, 'T14:10:00'));
    $this->postJson('/api/sentence', ['text' => 'every tusday at 9:00', 'zone' => 'Africa/Nairobi'])->assertStatus(422)->assertJsonPath('details.corrected', 'every Tuesday at 9:00');
});

it('quotes what it does not understand', function (): void {
    $said = $this->postJson('/api/sentence', ['text' => 'every blue moon at 10:00', 'zone' => 'Africa/Nairobi'])->assertStatus(422)->assertJsonPath('code', 'not_understood')->json('message');

    expect($said)->toContain('blue');
});

it('takes away, moves and adds single dates, and keeps them', function (): void {
    $edit = fn(array $edit, array $changes = []) => ($this->look)(['edit' => $edit, ...$changes]);
    $moved = $edit(['do' => 'move', 'date' => '2027-03-09T15:30:00', 'to' => '2027-03-10T10:00:00'])->assertOk()->json();
    expect([$moved['dropped'], $moved['extra'], $moved['next']])->toBe([['2027-03-09T15:30:00'], ['2027-03-10T10:00:00'], ['2027-03-02T15:30:00', '2027-03-10T10:00:00', '2027-03-16T15:30:00', '2027-03-23T15:30:00']]);
    $edit(['do' => 'add', 'date' => '2027-03-16T15:30:00'])->assertStatus(422)->assertJson(['errors' => ['edit' => ['There is a date at that time already.']]]);

    ($this->keep)(['dropped' => $moved['dropped'], 'extra' => $moved['extra']])->assertOk()->assertJson(['dropped' => $moved['dropped'], 'extra' => $moved['extra']]);
    $text = $this->get("/api/meetings/{$this->meeting->id}/file.ics")->assertOk()->getContent();
    expect($text)->toContain('RDATE;TZID=Africa/Nairobi:20270310T100000')->toContain('EXDATE;TZID=Africa/Nairobi:20270309T153000');
    expect(Meeting::query()->findOrFail($this->meeting->id)->extra_local)->toBe(['2027-03-10T10:00:00']);
});

it('sends a rule that moves missing days as plain dates, and none without an end', function (): void {
    $skip = fn(string $end): array => ['rule' => parts(['monthDays' => [31], 'skip' => 'backward', 'end' => $end, 'count' => 3])];
    ($this->keep)($skip('count'))->assertOk();
    $text = (string) $this->get("/api/meetings/{$this->meeting->id}/file.ics")->assertOk()->getContent();
    expect($text)->not->toContain('RRULE:FREQ=MONTHLY')->not->toContain('RSCALE')->toContain('DTSTART;TZID=Africa/Nairobi:20270331T153000')->toContain('RDATE;TZID=Africa/Nairobi:20270430T153000')->toContain('RDATE;TZID=Africa/Nairobi:20270531T153000');

    ($this->keep)($skip('open'))->assertOk();
    $this->getJson("/api/meetings/{$this->meeting->id}/read-back")->assertOk()->assertJson(['missing' => ['plain_dates']]);
});
