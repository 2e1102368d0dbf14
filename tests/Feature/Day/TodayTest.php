<?php

declare(strict_types=1);

use App\Invitations\CallOffMeeting;
use App\Invitations\Dispatch;
use App\People\Role;
use Illuminate\Support\Facades\DB;

use function Tests\Feature\account;
use function Tests\Feature\colleague;
use function Tests\Feature\delivered;
use function Tests\Feature\guest;
use function Tests\Feature\meeting;
use function Tests\Feature\sent;

beforeEach(function (): void {
    $this->travelTo('2026-11-25T12:18:00Z');
    $this->coordinator = account(Role::Coordinator, colleague('Wanjiru Achola'));
    $this->actingAs($this->coordinator);
    $this->plan = fn(string $title, string $start, array $values = []) => sent(meeting($this->coordinator, [$this->coordinator->person, colleague("With $title", 'America/Lima')], ['title' => $title, 'starts_local' => $start, 'rrule' => 'FREQ=DAILY;COUNT=3', ...$values]));
});

it('shows the day in the coordinator\'s own zone, in order, each with its state', function (): void {
    ($this->plan)('Later', '2026-11-25 22:00:00');
    ($this->plan)('Over', '2026-11-25 11:00:00');
    ($this->plan)('Now', '2026-11-25 15:00:00');
    ($this->plan)('Night in Auckland', '2026-11-26 03:00:00', ['zone' => 'Pacific/Auckland']);
    $today = $this->getJson('/api/today')->assertOk()->json();

    expect($today['zoneCity'])->toBe('Nairobi')
        ->and(array_map(static fn($m) => [substr($m['local'], 11, 5), $m['title'], $m['state']], $today['meetings']))
        ->toBe([['11:00', 'Over', 'over'], ['15:00', 'Now', 'now'], ['17:00', 'Night in Auckland', 'planned'], ['22:00', 'Later', 'planned']])
        ->and($today['meetings'][1]['elsewhere'])->toBe([['city' => 'Lima', 'local' => '2026-11-25T07:00:00']]);
});

it('shows another day, and a meeting that reaches over midnight on both', function (): void {
    ($this->plan)('Over midnight', '2026-11-25 23:30:00', ['duration_minutes' => 60, 'rrule' => null]);

    expect($this->getJson('/api/today')->json('meetings'))->toHaveCount(1)->and($this->getJson('/api/today?day=2026-11-26')->json('meetings'))->toHaveCount(1)->and($this->getJson('/api/today?day=2026-11-27')->json('meetings'))->toHaveCount(0);
});

it('names what needs somebody: refusals, what was not sent', function (): void {
    $series = sent(meeting($this->coordinator, [$this->coordinator->person, colleague('June Halloway', 'America/New_York'), guest('rosa@anden.example')], ['title' => 'Exchange', 'rrule' => 'FREQ=WEEKLY;COUNT=30']));
    Dispatch::query()->where('recipient', 'rosa@anden.example')->update(['state' => 'refused', 'outcome' => '550 no such address']);
    meeting($this->coordinator, [$this->coordinator->person], ['title' => 'Unsent']);
    $needs = $this->getJson('/api/today')->json('needs');

    expect($needs[0])->toMatchArray(['code' => 'refused', 'recipient' => 'rosa@anden.example', 'outcome' => '550 no such address', 'meetingId' => $series->id])
        ->and($needs[1])->toMatchArray(['code' => 'draft', 'title' => 'Unsent']);
});

it('names the changes of clocks by which own series move, two weeks ahead', function (string $today, string $anchor, array $zones, bool $isOwn, ?array $named): void {
    $people = array_map(static fn(string $zone, int $at) => colleague("Person $at", $zone), $zones, array_keys($zones));
    $owner = $isOwn ? $this->coordinator : account(Role::Coordinator, colleague('Another', 'Africa/Nairobi'));
    sent(meeting($owner, $people, ['title' => 'Exchange', 'zone' => $anchor, 'rrule' => 'FREQ=WEEKLY;COUNT=60']));
    $this->travelTo($today);

    expect(collect($this->getJson('/api/today')->json('needs'))->firstWhere('code', 'clocks'))->toBe($named);
})->with([
    // New York changes on 14 March 2027, Europe on the 28th (IANA northamerica, europe).
    'theirs' => ['2027-03-02 09:00', 'Africa/Nairobi', ['America/New_York', 'America/New_York'], true, ['code' => 'clocks', 'cities' => ['New York'], 'on' => '2027-03-14', 'minutes' => 60, 'people' => 2]],
    'not yet' => ['2027-02-25 09:00', 'Africa/Nairobi', ['America/New_York'], true, null],
    'of somebody else' => ['2027-03-02 09:00', 'Africa/Nairobi', ['America/New_York'], false, null],
    'together with the anchor' => ['2027-03-20 09:00', 'Europe/Berlin', ['Europe/Lisbon'], true, null],
    'the anchor itself' => ['2027-03-20 09:00', 'Europe/Berlin', ['Asia/Tokyo'], true, ['code' => 'clocks', 'cities' => ['Berlin'], 'on' => '2027-03-28', 'minutes' => 60, 'people' => 1]],
]);

it('names what did not arrive to whom it concerns, and the dispatch book counts the same', function (): void {
    $called = sent(meeting($this->coordinator, [guest('rosa@anden.example')], ['title' => 'Called off']));
    delivered($called);
    app(CallOffMeeting::class)($called);
    $over = sent(meeting($this->coordinator, [guest('ana@anden.example')], ['title' => 'Gone by']));
    $administrator = account(Role::Administrator, colleague('Inês Varela', 'Europe/Lisbon'));
    $this->actingAs($administrator)->postJson('/api/accounts', ['personId' => colleague('Tomasz Lis', 'Europe/Warsaw')->id, 'email' => 'tomasz.lis@garden.example', 'role' => 'colleague'])->assertCreated();
    Dispatch::query()->whereNull('sent_at')->update(['state' => 'given_up', 'outcome' => 'no answer']);
    DB::table('meetings')->where('id', $over->id)->update(['last_ends_at' => now()->subDay()]);
    $seen = function ($account): array {
        $this->actingAs($account);
        $needs = collect($this->getJson('/api/today')->json('needs'))->where('code', 'given_up');
        $book = $this->getJson('/api/dispatches')->json();
        expect($book['undelivered'])->toBe($needs->count())->and(collect($book['dispatches'])->where('mayGoAgain', true)->pluck('id')->sort()->values()->all())->toBe($needs->pluck('dispatchId')->sort()->values()->all());

        return $needs->map(static fn(array $n): array => [$n['kind'], $n['recipient']])->sort()->values()->all();
    };

    expect($seen($this->coordinator))->toBe([['calling_off', 'rosa@anden.example']])
        ->and($seen($administrator))->toBe([['account_link', 'tomasz.lis@garden.example'], ['calling_off', 'rosa@anden.example']]);
});

it('shows colleagues their own day and needs nothing of them', function (): void {
    ($this->plan)('Without her', '2026-11-25 18:00:00');
    $ines = account(Role::Colleague, colleague('Inês Varela', 'Europe/Lisbon'));
    sent(meeting($this->coordinator, [$ines->person], ['title' => 'With her', 'starts_local' => '2026-11-25 18:00:00', 'rrule' => null]));
    $today = $this->actingAs($ines)->getJson('/api/today')->json();

    expect(array_column($today['meetings'], 'title'))->toBe(['With her'])->and($today['meetings'][0]['local'])->toBe('2026-11-25T15:00:00')->and($today['needs'])->toBe([]);
});

it('tells every page which clocks to show and what comes next', function (): void {
    ($this->plan)('Soon', '2026-11-25 16:00:00');
    $session = $this->getJson('/api/session')->json();

    expect($session['next'])->toMatchArray(['title' => 'Soon', 'startsAt' => '2026-11-25T13:00:00Z'])->and($session['clocks'][0])->toMatchArray(['city' => 'Nairobi', 'offset' => 180]);
    $this->patchJson('/api/session', ['clocks' => ['America/Lima'], 'shortcuts' => false])->assertOk()->assertJsonPath('clocks.1.city', 'Lima')->assertJsonPath('account.shortcuts', false);
});
