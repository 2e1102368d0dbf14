<?php

declare(strict_types=1);

use App\Overlap\Occupancy;
use App\People\Role;
use App\Planning\Meeting;
use App\Planning\Occurrence;
use App\Planning\OwnDate;
use Syndex\Core\Overlap\Busy;
use Syndex\Core\Time\Instant;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\IntervalSet;

use function Tests\Feature\account;
use function Tests\Feature\colleague;
use function Tests\Feature\meeting;
use function Tests\Feature\repeats;
use function Tests\Feature\sent;
use function Tests\Feature\sheet;

beforeEach(function (): void {
    $this->travelTo('2026-12-01T08:00:00Z');
    $this->wanjiru = account(Role::Coordinator, colleague('Wanjiru Achola', 'Africa/Nairobi'));
    $this->ines = account(Role::Colleague, colleague('Inês Varela', 'Africa/Nairobi'));
    $this->mere = account(Role::Colleague, colleague('Mere Tautari', 'Africa/Nairobi'));
    $this->actingAs($this->wanjiru);
    $this->meeting = meeting($this->wanjiru, [$this->wanjiru->person, $this->ines->person], ['starts_local' => '2026-12-08 15:30:00', 'rrule' => 'FREQ=WEEKLY;COUNT=3']);
    $this->own = fn(array $own): array => ['date' => '2026-12-15T15:30:00', 'minutes' => null, 'title' => null, 'place' => null, 'people' => null, ...$own];
    $this->put = fn(array $changes) => $this->putJson("/api/meetings/{$this->meeting->id}", sheet($this->meeting->refresh(), ['startLocal' => '2026-12-08T15:30:00', 'rule' => repeats(['count' => 3]), ...$changes]));
    // Mere instead of Inês on the 15th, an hour in Hall B.
    $this->instead = ($this->own)(['minutes' => 60, 'title' => 'With Mere', 'place' => 'Hall B', 'people' => array_map(static fn($a): array => ['personId' => $a->person_id, 'role' => 'required'], [$this->wanjiru, $this->mere])]);
    // "12-15 12:30 60"
    $this->busy = function ($account): array {
        $span = IntervalSet::of([Interval::between(Instant::parse('2026-12-01T00:00:00Z')->seconds, Instant::parse('2027-01-01T00:00:00Z')->seconds)]);

        return array_map(static fn(Busy $b): string => gmdate('m-d H:i ', $b->interval->start) . intdiv($b->interval->end - $b->interval->start, 60) . " $b->label", app(Occupancy::class)->of([$account->person_id], $span, null)[$account->person_id] ?? []);
    };
});

it('counts in busy times, day lists and rights', function (): void {
    ($this->put)(['own' => [$this->instead]])->assertOk();
    sent($this->meeting->refresh());

    expect(($this->busy)($this->mere))->toBe(['12-15 12:30 60 With Mere'])
        ->and(($this->busy)($this->ines))->toBe(['12-08 12:30 45 Grower exchange', '12-22 12:30 45 Grower exchange'])
        ->and(($this->busy)($this->wanjiru))->toBe(['12-08 12:30 45 Grower exchange', '12-15 12:30 60 With Mere', '12-22 12:30 45 Grower exchange']);
    $day = fn($account, string $date): array => array_map(static fn(array $r): array => [$r['title'], $r['place'], $r['required'], substr($r['localEnd'], 11, 5)], $this->actingAs($account)->getJson("/api/today?day=$date")->assertOk()->json('meetings'));
    expect($day($this->mere, '2026-12-15'))->toBe([['With Mere', 'Hall B', 2, '16:30']])->and($day($this->mere, '2026-12-08'))->toBe([])
        ->and($day($this->ines, '2026-12-15'))->toBe([])->and($day($this->ines, '2026-12-22'))->toBe([['Grower exchange', 'Room 3', 2, '16:15']]);
    $dates = fn($account): array => $this->actingAs($account)->getJson("/api/meetings/{$this->meeting->id}/dates")->assertOk()->json('dates.*.date');
    expect($dates($this->mere))->toBe(['2026-12-15T15:30:00'])->and($dates($this->ines))->toBe(['2026-12-08T15:30:00', '2026-12-22T15:30:00'])->and($dates($this->wanjiru))->toHaveCount(3);
    $this->actingAs(account(Role::Colleague))->getJson("/api/meetings/{$this->meeting->id}")->assertNotFound();
});

it('knows an occurrence by the date that the rule names: one that is moved stays the row it was', function (): void {
    sent($this->meeting);
    $row = fn() => Occurrence::query()->where('meeting_id', $this->meeting->id)->where('date_local', '2026-12-15 15:30:00')->firstOrFail();
    $id = $row()->id;
    $sheet = Meeting::query()->findOrFail($this->postJson("/api/meetings/{$this->meeting->id}/change")->json('id'));
    $this->putJson("/api/meetings/$sheet->id", sheet($sheet, ['startLocal' => '2026-12-08T15:30:00', 'rule' => repeats(['count' => 3]), 'dropped' => ['2026-12-15T15:30:00'], 'extra' => ['2026-12-17T09:00:00'], 'moved' => [['date' => '2026-12-15T15:30:00', 'to' => '2026-12-17T09:00:00']], 'own' => [($this->own)(['minutes' => 90])]]))->assertOk();
    $this->postJson("/api/meetings/$sheet->id/send", ['version' => $sheet->refresh()->version])->assertOk();

    expect([$row()->id, $row()->starts_local->format('m-d H:i'), $row()->starts_at->diffInMinutes($row()->ends_at)])->toBe([$id, '12-17 09:00', 90.0]);
});

it('goes along when the whole is moved, and is let go with its date', function (): void {
    ($this->put)(['own' => [$this->instead]])->assertOk();
    $asked = fn(array $changes): array => $this->postJson('/api/board', [...sheet($this->meeting, ['startLocal' => '2026-12-08T15:30:00', 'rule' => repeats(['count' => 3]), 'own' => [$this->instead], ...$changes]), 'index' => 0, 'shiftMinutes' => $changes['shiftMinutes'] ?? 0])->assertOk()->json('ownDates');
    expect($asked(['shiftMinutes' => 30]))->toBe([['was' => '2026-12-15T15:30:00', 'now' => '2026-12-15T16:00:00']])
        ->and($asked(['rule' => repeats(['count' => 3, 'interval' => 2])]))->toBe([]);

    ($this->put)(['own' => [$this->instead], 'rule' => repeats(['count' => 3, 'interval' => 2])])->assertOk();
    expect(OwnDate::query()->count())->toBe(0);
});

it('says of a date only what differs, and refuses what cannot be', function (array $own, string $field): void {
    ($this->put)(['own' => [($this->own)($own)]])->assertStatus(422)->assertJsonValidationErrors($field);
})->with([
    'a length between five minutes' => [['minutes' => 7], 'own.0.minutes'],
    'longer than a day' => [['minutes' => 1500], 'own.0.minutes'],
    'a long title' => [['title' => str_repeat('a', 201)], 'own.0.title'],
    'somebody unknown' => [['people' => [['personId' => 'nobody', 'role' => 'required']]], 'own.0.people.0.personId'],
    'a role that is none' => [['people' => [['personId' => 'x', 'role' => 'king']]], 'own.0.people.0.role'],
    'no date' => [['date' => 'Tuesday'], 'own.0.date'],
]);

it('leaves no row where nothing is said', function (): void {
    ($this->put)(['own' => [($this->own)(['title' => '  '])]])->assertOk()->assertJsonPath('own', []);
});

it('says in calendars what was chosen (RFC 5545 3.6.6, 3.8.1.2, 3.8.1.3, 3.8.2.7)', function (): void {
    ($this->put)(['choices' => ['reminderMinutes' => 60, 'class' => 'confidential', 'categories' => ['Seeds', 'Trial, field'], 'takesNoTime' => true, 'notForwarded' => true]])->assertOk()->assertJsonPath('choices.categories', ['Seeds', 'Trial, field']);
    sent($this->meeting->refresh());
    $ics = Tests\Feature\icsTo($this->ines->email);
    expect($ics)->toContain('CLASS:CONFIDENTIAL')->toContain('CATEGORIES:Seeds,Trial\, field')->toContain('TRANSP:TRANSPARENT')->toContain('TRIGGER:-PT60M')
        ->and((string) Tests\Feature\mailTo($this->ines->email)->getTextContent())->toContain('Please keep this invitation to yourself')
        ->and(($this->busy)($this->ines))->toBe([]);
});

it('reminds nobody where no reminder is wanted', function (): void {
    ($this->put)(['choices' => ['reminderMinutes' => null, 'class' => 'public', 'categories' => [], 'takesNoTime' => false, 'notForwarded' => false]])->assertOk();
    sent($this->meeting->refresh());
    expect(Tests\Feature\icsTo($this->ines->email))->not->toContain('VALARM')->not->toContain('TRANSPARENT');
});

it('refuses choices that are none', function (array $choices): void {
    ($this->put)(['choices' => ['reminderMinutes' => 15, 'class' => 'public', 'categories' => [], 'takesNoTime' => false, 'notForwarded' => false, ...$choices]])->assertStatus(422);
})->with([[['class' => 'secret']], [['reminderMinutes' => -1]], [['reminderMinutes' => 99999]], [['categories' => ["a\nb"]]], [['categories' => array_fill(0, 11, 'x')]], [['takesNoTime' => 'often']]]);

it('is read back: whoever is asked to some dates only, and their letter', function (): void {
    ($this->put)(['own' => [$this->instead]])->assertOk();
    $back = $this->getJson("/api/meetings/{$this->meeting->id}/read-back")->assertOk()->json('recipients');
    expect(array_map(static fn(array $r): array => [$r['person']['name'], $r['dates'], substr($r['firstLocal'], 0, 10)], $back))->toBe([['Wanjiru Achola', null, '2026-12-08'], ['Inês Varela', 2, '2026-12-08'], ['Mere Tautari', 1, '2026-12-15']])
        ->and($this->getJson("/api/meetings/{$this->meeting->id}/letter/{$this->mere->person_id}")->assertOk()->json('text'))->toContain('With Mere')->toContain('Tuesday 15 December 2026')->toContain('Hall B')->not->toContain('Repeats');
    $this->getJson("/api/meetings/{$this->meeting->id}/letter/" . colleague('Joram Kiptui')->id)->assertNotFound();
});
