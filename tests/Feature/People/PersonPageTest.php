<?php

declare(strict_types=1);

use App\HouseRules\HouseRules;
use App\People\Holidays;
use App\People\Journey;
use App\People\Role;

use function Tests\Feature\account;
use function Tests\Feature\colleague;
use function Tests\Feature\guest;
use function Tests\Feature\mailTo;
use function Tests\Feature\meeting;
use function Tests\Feature\sent;
use function Tests\Feature\sheet;

beforeEach(function (): void {
    $this->travelTo('2027-04-20T08:00:00Z');
    $this->wanjiru = account(Role::Coordinator, colleague('Wanjiru Achola', 'Africa/Nairobi'));
    $this->corin = colleague('Corin Hale', 'Australia/Perth', ['country' => 'AU', 'region' => 'WA']);
    $this->actingAs($this->wanjiru);
    $this->change = fn(array $values, $person = null) => $this->patchJson('/api/people/' . ($person ?? $this->corin)->id, $values);
    $this->travels = fn(string $zone, string $from, string $until) => $this->postJson("/api/people/{$this->corin->id}/journeys", ['zone' => $zone, 'fromOn' => $from, 'untilOn' => $until]);
    $this->board = fn(string $start, array $changes = []): array => $this->postJson('/api/board', [...sheet(meeting($this->wanjiru, [$this->wanjiru->person, $this->corin]), ['startLocal' => $start, 'rule' => null, ...$changes]), 'index' => 0])->assertOk()->json('board');
});

describe('what a person says of themselves', function (): void {
    it('is where they are, when they work, and not who they are', function (array $values, ?string $refused): void {
        $this->actingAs(account(Role::Colleague, $this->corin));
        $answer = ($this->change)($values);
        $refused === null ? $answer->assertOk() : $answer->assertStatus(422)->assertJsonValidationErrors($refused);
    })->with([
        'zone' => [['zone' => 'Europe/Lisbon'], null],
        'hours' => [['hours' => ['mon' => [['08:00', '12:00'], ['13:00', '16:00']]]], null],
        'quiet hours' => [['quietHours' => ['wed' => [['09:00', '11:00']]]], null],
        'quiet hours that end before they begin' => [['quietHours' => ['wed' => [['11:00', '09:00']]]], 'quietHours'],
        'country and region' => [['country' => 'DE', 'region' => 'BY-A'], null],
        'work on holidays' => [['keepsHolidays' => false], null],
        'phone as at home' => [['phone' => '(08) 9555 0142'], null],
        'name' => [['name' => 'Boss'], 'name'],
        'address' => [['email' => 'boss@garden.example'], 'email'],
        'job' => [['job' => 'Director'], 'job'],
        'a country that is none' => [['country' => 'QQ'], 'country'],
        'a code of before' => [['country' => 'SU'], 'country'],
        'a phone that is none' => [['phone' => 'ring me'], 'phone'],
        'themselves as stand-in' => [['standInId' => 'self'], 'standInId'],
    ]);

    it('keeps a phone number as E.164, shown as people abroad read it', function (): void {
        // Numbers reserved for fiction: +44 20 7946 0142 (Ofcom), +61 8 5550 ... (ACMA).
        ($this->change)(['phone' => '08 5550 1234'])->assertOk();
        expect($this->corin->refresh()->phone)->toBe('+61855501234')
            ->and($this->getJson("/api/people/{$this->corin->id}")->json('phone'))->toBe('+61 8 5550 1234');
        ($this->change)(['phone' => '+44 20 7946 0142'])->assertOk();
        expect($this->corin->refresh()->phone)->toBe('+442079460142');
        ($this->change)(['phone' => ''])->assertOk();
        expect($this->corin->refresh()->phone)->toBeNull();
    });
});

describe('holidays', function (): void {
    // Western Australia Day is the first Monday of June (Public and Bank Holidays Act 1972 of that state; from memory).
    it('are days off of whoever is at home there', function (): void {
        $standing = fn(string $start): array => collect(($this->board)($start)['day']['standings'])->firstWhere('id', $this->corin->id);
        expect([$standing('2027-06-07T05:00:00')['light'], $standing('2027-06-07T05:00:00')['holiday']])->toBe(['day_off', 'Western Australia Day'])
            ->and($standing('2027-06-14T05:00:00')['light'])->toBe('in_hours');
        $this->corin->update(['region' => 'QLD']);
        expect($standing('2027-06-07T05:00:00')['light'])->toBe('in_hours');
    });

    it('are read back before a meeting is sent, by their names', function (): void {
        $meeting = meeting($this->wanjiru, [$this->wanjiru->person, $this->corin], ['starts_local' => '2027-05-31 05:00:00', 'rrule' => 'FREQ=WEEKLY;COUNT=3']);
        expect(collect($this->getJson("/api/meetings/$meeting->id/read-back")->json('odd'))->where('code', 'holiday')->values()->all())->toBe([['code' => 'holiday', 'personId' => $this->corin->id, 'dates' => [['on' => '2027-06-07T05:00:00', 'name' => 'Western Australia Day']]]]);
    });

    it('are working days where the house says so, or the person where the house leaves it to them', function (bool $rule, bool $open, ?bool $own, string $light): void {
        app(HouseRules::class)->set(['holidays' => $rule], ['holidays' => $open]);
        $this->corin->update(['keeps_holidays' => $own]);
        expect(collect(($this->board)('2027-06-07T05:00:00')['day']['standings'])->firstWhere('id', $this->corin->id)['light'])->toBe($light);
    })->with([
        'off by rule' => [false, false, null, 'in_hours'], 'locked' => [true, false, false, 'day_off'], 'open' => [true, true, false, 'in_hours'],
        'open the other way' => [false, true, true, 'day_off'], 'nothing said' => [true, true, null, 'day_off'],
    ]);

    it('are known of nearly all countries, for this year and those that follow', function (): void {
        $holidays = new Holidays();
        $known = array_filter(array_keys(App\People\Countries::all()), $holidays->knows(...));
        $year = (int) date('Y');
        // 25 December is a public holiday in Portugal by the Código do Trabalho, art. 234.
        $names = array_map(static fn(int $y): ?string => $holidays->of('PT', null)[intdiv((int) gmmktime(0, 0, 0, 12, 25, $y), 86400)] ?? null, [$year, $year + 5]);
        expect(count($known))->toBeGreaterThan(150)->and($names)->each->toBe('Christmas Day')
            ->and($holidays->of('../x', null))->toBe([])->and($holidays->of('ZZ', null))->toBe([]);
    });
});

describe('a journey', function (): void {
    it('is followed by board, mail, shift report and the week', function (): void {
        ($this->travels)('Europe/Lisbon', '2027-05-03', '2027-05-12')->assertCreated()->assertJson(['city' => 'Lisbon']);
        $series = ['starts_local' => '2027-05-11 12:00:00', 'rrule' => 'FREQ=WEEKLY;COUNT=2'];
        $standing = collect(($this->board)('2027-05-11T12:00:00')['day']['standings'])->firstWhere('id', $this->corin->id);
        expect([$standing['local'], $standing['elsewhere'], $standing['light']])->toBe(['2027-05-11T10:00:00', 'Lisbon', 'in_hours']);

        $meeting = sent(meeting($this->wanjiru, [$this->wanjiru->person, $this->corin], $series));
        $text = mailTo($this->corin->email)->getTextContent();
        expect($text)->toContain('10:00')->toContain('Lisbon')->toContain('17:00')
            ->and($this->getJson("/api/meetings/$meeting->id/shifts")->json('people.1.changes.0'))->toMatchArray(['was' => '10:00', 'now' => '17:00']);
        $week = $this->getJson("/api/people/{$this->corin->id}/week?from=2027-05-10")->assertOk()->json();
        expect($week['days'][1]['blocks'][0])->toBe([600, 645, 'busy', 'Grower exchange'])
            ->and([$week['days'][1]['city'], $week['days'][3]['city']])->toBe(['Lisbon', 'Perth'])
            ->and([$week['dates'], $week['outside'], $week['ahead'][0]['light']])->toBe([2, 1, 'in_hours']);
    });

    it('is to one place at a time, on days there are', function (string $zone, string $from, string $until, ?string $refused): void {
        ($this->travels)('Europe/Lisbon', '2027-05-03', '2027-05-12')->assertCreated();
        $answer = ($this->travels)($zone, $from, $until);
        $refused === null ? $answer->assertCreated() : $answer->assertStatus(422)->assertJsonValidationErrors($refused);
        expect(Journey::query()->count())->toBe($refused === null ? 2 : 1);
    })->with([
        'after it' => ['Asia/Tokyo', '2027-05-13', '2027-05-14', null],
        'on its last day' => ['Asia/Tokyo', '2027-05-12', '2027-05-14', 'fromOn'],
        'around it' => ['Asia/Tokyo', '2027-05-01', '2027-06-01', 'fromOn'],
        'nowhere' => ['Perth', '2027-06-01', '2027-06-02', 'zone'],
        'backwards' => ['Asia/Tokyo', '2027-06-02', '2027-06-01', 'untilOn'],
        'beyond the calendar' => ['Asia/Tokyo', '9999-01-01', '9999-01-01', 'fromOn'],
        'a day that is none' => ['Asia/Tokyo', '2027-02-30', '2027-06-01', 'fromOn'],
    ]);

    it('is taken away again, by its own person’s page only', function (): void {
        $id = ($this->travels)('Europe/Lisbon', '2027-05-03', '2027-05-12')->json('id');
        $this->deleteJson("/api/people/{$this->wanjiru->person_id}/journeys/$id")->assertNotFound();
        $this->deleteJson("/api/people/{$this->corin->id}/journeys/$id")->assertNoContent();
        expect(Journey::query()->count())->toBe(0);
    });
});

it('draws a week with hours, what there is, absences and days off', function (): void {
    ($this->change)(['hours' => ['mon' => [['08:00', '12:00'], ['13:00', '16:00']], 'tue' => [['22:00', '24:00']]]])->assertOk();
    $this->postJson("/api/people/{$this->corin->id}/absences", ['fromOn' => '2027-06-09', 'untilOn' => '2027-06-10', 'standInId' => null, 'note' => '', 'showsNote' => false])->assertCreated();
    $days = $this->getJson("/api/people/{$this->corin->id}/week?from=2027-06-07")->assertOk()->json('days');
    expect(array_column($days, 'on'))->toBe(array_map(static fn(int $d): string => sprintf('2027-06-%02d', $d), range(7, 13)))
        ->and([$days[0]['hours'], $days[0]['holiday']])->toBe([[], 'Western Australia Day'])
        ->and($days[1]['hours'])->toBe([[1320, 1440]])
        // Two hours about each stretch, over midnight too (core Daylight): what lies between is night.
        ->and([$days[1]['dusk'], $days[2]['dusk']])->toBe([[[1200, 1440]], [[0, 120]]])
        ->and([$days[2]['blocks'], $days[3]['blocks'], $days[4]['blocks']])->toBe([[[0, 1440, 'away', 'away']], [[0, 1440, 'away', 'away']], []]);
    $this->getJson("/api/people/{$this->corin->id}/week?from=0001-01-01")->assertStatus(422);
    expect($this->getJson("/api/people/{$this->corin->id}/week")->json('from'))->toBe('2027-04-19');
});

it('begins a meeting with somebody', function (): void {
    $id = $this->postJson('/api/meetings', ['with' => [$this->corin->id, $this->wanjiru->person_id]])->assertCreated()->json('id');
    expect($this->getJson("/api/meetings/$id")->json('attendees.*.person.name'))->toBe(['Wanjiru Achola', 'Corin Hale']);
});

it('asks before sending whether people have the pause that the house gives them', function (int $minutes, bool $isSaid): void {
    app(HouseRules::class)->set(['pauseMinutes' => $minutes]);
    sent(meeting($this->wanjiru, [$this->wanjiru->person, $this->corin], ['starts_local' => '2027-05-04 11:00:00', 'rrule' => null, 'duration_minutes' => 50]));
    $meeting = meeting($this->wanjiru, [$this->wanjiru->person, guest('rosa@anden.example'), $this->corin], ['starts_local' => '2027-05-04 12:00:00', 'rrule' => null]);
    $odd = collect($this->getJson("/api/meetings/$meeting->id/read-back")->json('odd'))->where('code', 'no_pause');
    expect($odd->pluck('personId')->all())->toBe($isSaid ? [$this->wanjiru->person_id, $this->corin->id] : []);
})->with([[0, false], [10, false], [11, true], [30, true]]);
