<?php

declare(strict_types=1);

use App\Invitations\Dispatch;
use App\Joining\Bridge;
use App\Joining\BridgeOffers;
use App\Joining\JoiningKit;
use App\Joining\RoomRef;
use App\Joining\SettleRoom;
use App\People\Role;
use App\People\Team;
use App\Planning\Meeting;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Http;
use Symfony\Component\Process\Process;

use function Tests\Feature\account;
use function Tests\Feature\colleague;
use function Tests\Feature\delivered;
use function Tests\Feature\guest;
use function Tests\Feature\icsTo;
use function Tests\Feature\mailTo;
use function Tests\Feature\meeting;
use function Tests\Feature\noRoom;
use function Tests\Feature\sheet;

beforeEach(function (): void {
    $this->travelTo('2026-11-25T09:00:00Z');
    $this->coordinator = account(Role::Coordinator, colleague('Wanjiru Achola', 'Africa/Nairobi', ['country' => 'KE']));
    $this->ines = colleague('Inês Varela', 'Europe/Lisbon', ['language' => 'pt']);
    $this->lena = guest('lena@orchard.example');
    $this->anil = colleague('Anil Sherpani', 'Asia/Kathmandu');
    account(Role::Colleague, $this->ines);
    $this->actingAs($this->coordinator);
    $this->meeting = meeting($this->coordinator, [$this->coordinator->person, $this->ines, $this->lena, $this->anil], ['starts_local' => '2026-12-08 15:30:00']);
    $this->room = fn(array $settings = [], array $changes = [], int $hostComes = 0): array => $this->postJson('/api/room', [...sheet($this->meeting), 'room' => ['settings' => (object) $settings, 'coHosts' => [], 'presenters' => [], 'account' => null, 'reason' => null], ...$changes, 'hostComes' => $hostComes])->assertOk()->json();
    $this->bridge = fn(string $method, string $path, array $body = []) => Http::withToken(config('syndex.bridge.key'))->send($method, config('syndex.bridge.url') . $path, ['json' => $body]);
});

afterEach(function (): void {
    ($this->bridge)('PUT', '/faults');
    Cache::store('progress')->forget('bridge-silent');
    Cache::store('progress')->forget('bridge-offers');
});

it('says what becomes of each at the door, by the minute, and of whoever was handed the link', function (): void {
    $room = ($this->room)(['lock' => 10]);
    $told = array_map(static fn(array $g): array => [$g['who'], $g['people'], array_map(static fn(array $s): string => "$s[from] $s[outcome] $s[reason]", $g['stretches'])], $room['groups']);

    expect($told)->toBe([
        ['host', [$this->coordinator->person_id], ['-15 admitted host']],
        ['colleague', [$this->ines->id], ['-15 closed too_early', '-10 lobby no_host', '0 admitted open', '10 refused locked']],
        ['guest', [$this->lena->id], ['-15 closed too_early', '-10 lobby no_host', '0 lobby lobby', '10 refused locked']],
        ['colleague', [$this->anil->id], ['-15 closed too_early', '-10 lobby no_host', '0 admitted open', '10 refused locked']],
        ['stranger', [], ['-15 refused not_invited']],
    ])->and($room['sum'])->toBe(['at' => 0, 'in' => 3, 'of' => 4, 'letIn' => [$this->lena->id], 'refused' => []])
        ->and(($this->room)(hostComes: 5)['groups'][1]['stretches'][1])->toBe(['from' => -10, 'until' => 5, 'outcome' => 'lobby', 'reason' => 'no_host']);
});

it('tells the clock of the meeting around its start, through a change of clocks too', function (array $over, array $expected): void {
    ['from' => $from, 'shown' => $shown] = ($this->room)([], $over)['clocks'];

    expect(array_map(static fn(int $minute): string => $shown[$minute - $from], array_keys($expected)))->toBe(array_values($expected));
})->with([
    'on any day' => [[], [-60 => '14:30', 0 => '15:30', 30 => '16:00']],
    'past midnight' => [['startLocal' => '2026-12-08T00:05:00'], [-10 => '23:55', 0 => '00:05']],
    // Berlin, 28 March 2027: from 02:00 to 03:00 (IANA).
    'as clocks go forward' => [['zone' => 'Europe/Berlin', 'startLocal' => '2027-03-28T03:05:00'], [-10 => '01:55', -5 => '03:00', 0 => '03:05', 60 => '04:05']],
    // Berlin, 31 October 2027: from 03:00 to 02:00 (IANA).
    'as clocks go back' => [['zone' => 'Europe/Berlin', 'startLocal' => '2027-10-31T03:05:00'], [-6 => '02:59', -5 => '03:00', -60 => '02:05', -120 => '02:05', -126 => '01:59']],
]);

it('explains what does not go together, with the way out, and takes co-hosts for hosts', function (): void {
    $room = ($this->room)(['signIn' => true, 'countries' => ['refuse' => ['NP']]]);

    expect(array_map(static fn(array $c): array => [$c['kind'], $c['people']], $room['conflicts']))->toBe([['guests_cannot_sign_in', [$this->lena->id]], ['country_refused', [$this->anil->id]]])
        ->and($room['conflicts'][1]['facts']['place'])->toBe('Nepal')
        ->and($room['conflicts'][1]['ways'][0])->toBe(['countries' => null])
        ->and(($this->room)([], ['room' => ['settings' => (object) ['countries' => ['refuse' => ['NP']]], 'coHosts' => [$this->anil->id], 'presenters' => [], 'account' => null, 'reason' => null]])['conflicts'])->toBe([]);
});

it('holds the plan against the account of the bridge', function (): void {
    $room = ($this->room)([], ['room' => ['settings' => (object) ['recording' => true], 'coHosts' => [$this->ines->id, $this->anil->id], 'presenters' => [], 'account' => 'bench']]);

    expect(array_column($room['conflicts'], 'kind'))->toBe(['too_long_for_account', 'too_many_co_hosts', 'not_offered'])
        ->and($room['account'])->toMatchArray(['id' => 'bench', 'people' => 12, 'minutes' => 40])
        ->and($room['settings']['recording'])->toMatchArray(['offered' => false, 'chosen' => true])
        ->and(array_column($room['accounts'], 'id'))->toBe(['greenhouse', 'bench', 'field']);
});

it('takes the usual account where the bridge no longer has the one that was chosen', function (): void {
    $this->putJson("/api/meetings/{$this->meeting->id}", sheet($this->meeting, ['joinMode' => 'online', 'room' => ['settings' => (object) [], 'coHosts' => [], 'presenters' => [], 'account' => 'glasshouse', 'reason' => null]]))->assertOk();
    $this->postJson("/api/meetings/{$this->meeting->id}/kit")->assertCreated();

    expect(($this->bridge)('GET', '/rooms/' . RoomRef::of($this->meeting->id))->json('account'))->toBe('greenhouse')
        ->and(($this->room)([], ['room' => ['settings' => (object) [], 'coHosts' => [], 'presenters' => [], 'account' => 'glasshouse', 'reason' => null]])['account']['id'])->toBe('greenhouse');
});

it('names the telephones of where people are, the nearest where there is none, and whose place nobody knows', function (): void {
    $room = ($this->room)(['phonesAlso' => ['US'], 'phonesNot' => ['KE']]);

    expect(array_map(static fn(array $p): array => [$p['name'], $p['from'], array_column($p['numbers'], 'text'), $p['people']], $room['phones']))->toBe([
        ['Nepal', 'India', ['+91 11 5550 1420'], [$this->anil->id]],
        ['Portugal', null, ['21 555 0142'], [$this->ines->id]],
        ['United States', null, ['(800) 555-0142', '(202) 555-0142'], []],
    ])->and($room['nowhere'])->toBe([$this->lena->id]);
});

it('keeps what was chosen, and takes it along into a copy and a change', function (): void {
    $chosen = ['settings' => ['doors' => 5, 'lobby' => ['everyone'], 'countries' => ['allow' => ['KE', 'PT']], 'lock' => 20], 'coHosts' => [$this->ines->id], 'presenters' => [], 'account' => 'field', 'reason' => 'for those who sleep', 'standing' => true, 'inRoom' => [$this->ines->id], 'standIn' => $this->ines->id, 'smallRooms' => [['name' => 'Seeds', 'people' => [$this->ines->id]]], 'interpreters' => [['personId' => $this->ines->id, 'from' => 'pt', 'to' => 'en']], 'changing' => 'hosts', 'inviting' => 'everyone'];
    $kept = $this->putJson("/api/meetings/{$this->meeting->id}", sheet($this->meeting, ['room' => $chosen]))->assertOk()->json('room');

    expect($kept)->toBe($chosen)
        ->and($this->getJson("/api/meetings/{$this->meeting->id}")->json('room'))->toBe($chosen)
        ->and($this->getJson('/api/meetings/' . $this->postJson('/api/meetings', ['from' => $this->meeting->id])->json('id'))->json('room.settings.doors'))->toBe(5);
    $this->putJson("/api/meetings/{$this->meeting->id}", sheet($this->meeting->refresh(), ['room' => ['settings' => ['doors' => 5000], 'coHosts' => [], 'presenters' => [], 'account' => null, 'reason' => null]]))->assertStatus(422)->assertJsonValidationErrors('room.settings');
    $this->putJson("/api/meetings/{$this->meeting->id}", sheet($this->meeting->refresh(), ['room' => ['settings' => ['windows' => true], 'coHosts' => [], 'presenters' => [], 'account' => null, 'reason' => null]]))->assertStatus(422)->assertJsonValidationErrors('room.settings');
});

it('lets the house and the teams of the host say what is usual and what holds, the stricter lock of two', function (): void {
    $this->putJson('/api/house-rules', ['room' => ['usual' => ['doors' => 15], 'locked' => []]])->assertForbidden();
    $this->actingAs(account(Role::Administrator))->putJson('/api/house-rules', ['room' => ['usual' => ['doors' => 15, 'lock' => 30, 'recording' => false], 'locked' => ['recording', 'lock']]])->assertOk()->assertJsonPath('room.locked', ['recording', 'lock']);
    $this->actingAs($this->coordinator);
    $room = ($this->room)(['recording' => true, 'lock' => 60])['settings'];
    expect($room['doors'])->toMatchArray(['value' => 15, 'lockedBy' => [], 'chosen' => false])
        ->and($room['recording'])->toMatchArray(['value' => false, 'lockedBy' => [null]])
        ->and($room['lock'])->toMatchArray(['value' => 30, 'lockedBy' => [null]]);

    $team = Team::query()->create(['name' => 'Board', 'name_key' => 'board', 'room' => ['usual' => ['lock' => 10, 'doors' => 5, 'lobby' => ['everyone']], 'locked' => ['lock']]]);
    $team->members()->attach($this->coordinator->person_id);
    $room = ($this->room)(['lock' => 60])['settings'];
    expect($room['lock'])->toMatchArray(['value' => 10, 'lockedBy' => ['Board']])
        ->and($room['doors']['value'])->toBe(5)
        ->and($room['lobby']['value'])->toBe(['everyone'])
        ->and(($this->room)(['doors' => 0])['settings']['doors'])->toMatchArray(['value' => 0, 'chosen' => true]);
});

it('lets an administrator settle rooms for a team, beside those of the house', function (): void {
    $team = Team::query()->create(['name' => 'Board', 'name_key' => 'board']);
    $put = fn(array $room) => $this->putJson("/api/house-rules/teams/$team->id", ['room' => $room]);
    $put(['usual' => ['doors' => 5], 'locked' => []])->assertForbidden();
    $this->actingAs(account(Role::Administrator))->putJson('/api/house-rules', ['room' => ['usual' => ['doors' => 15, 'lock' => 30], 'locked' => []]])->assertOk();
    $put(['usual' => ['doors' => 5, 'lobby' => ['everyone']], 'locked' => ['lobby']])->assertOk()->assertJson(['name' => 'Board', 'own' => ['doors' => 5, 'lobby' => ['everyone']], 'locked' => ['lobby'], 'values' => ['doors' => 5, 'lock' => 30, 'lobby' => ['everyone']]]);
    $put(['usual' => ['doors' => 'late'], 'locked' => []])->assertStatus(422)->assertJsonValidationErrors('room.usual');
    $team->members()->attach($this->coordinator->person_id);
    $this->actingAs($this->coordinator);
    expect(($this->room)(['lobby' => []])['settings']['lobby'])->toMatchArray(['value' => ['everyone'], 'lockedBy' => ['Board']]);
    $this->actingAs(account(Role::Administrator));
    $put(['usual' => [], 'locked' => []])->assertOk();
    expect($team->refresh()->room)->toBeNull();
});

it('refuses house rules that no room can have', function (mixed $room, string $field): void {
    $this->actingAs(account(Role::Administrator))->putJson('/api/house-rules', ['room' => $room])->assertStatus(422)->assertJsonValidationErrors($field);
})->with([
    [['usual' => ['doors' => 'ten'], 'locked' => []], 'room.usual'], [['usual' => ['windows' => 1], 'locked' => []], 'room.usual'], [['usual' => [], 'locked' => ['windows']], 'room.locked.0'], [['usual' => []], 'room.locked'], [['open' => []], 'room'], ['all', 'room'],
]);

it('tells the bridge the rules when the meeting is sent, and again when they change', function (): void {
    $rules = fn() => ($this->bridge)('GET', '/rooms/' . RoomRef::of($this->meeting->id))->json();
    $this->putJson("/api/meetings/{$this->meeting->id}", sheet($this->meeting, ['joinMode' => 'online', 'room' => ['settings' => ['lock' => 20], 'coHosts' => [$this->ines->id], 'presenters' => [$this->anil->id, $this->ines->id, 'nobody'], 'account' => 'field']]))->assertOk();
    $this->postJson("/api/meetings/{$this->meeting->id}/kit")->assertCreated();
    expect($rules()['rules'])->toMatchArray(['lock' => 20, 'doors' => 10, 'coHosts' => [$this->ines->email], 'presenters' => [$this->ines->email, $this->anil->email]])->and($rules()['account'])->toBe('field');

    $this->putJson("/api/meetings/{$this->meeting->id}", sheet($this->meeting->refresh(), ['joinMode' => 'online', 'room' => ['settings' => ['lock' => 25], 'coHosts' => [], 'presenters' => [], 'account' => null, 'reason' => null]]))->assertOk();
    $this->postJson("/api/meetings/{$this->meeting->id}/send", ['version' => $this->meeting->refresh()->version])->assertOk();
    app()->call([new SettleRoom($this->meeting->id), 'handle']);
    expect($rules()['rules'])->toMatchArray(['lock' => 25, 'coHosts' => []])->and($rules()['account'])->toBe('greenhouse');
});

it('tells of the door to those to whom it says something else, and to nobody besides', function (array $room, array $told, string $says): void {
    $room = [...noRoom(), 'settings' => (object) [], ...$room];
    $this->putJson("/api/meetings/{$this->meeting->id}", sheet($this->meeting, ['joinMode' => 'both', 'place' => 'Kilimani lab']))->assertOk();
    $this->postJson("/api/meetings/{$this->meeting->id}/kit")->assertCreated();
    $this->postJson("/api/meetings/{$this->meeting->id}/send", ['version' => $this->meeting->refresh()->version])->assertOk();
    delivered($this->meeting);
    $change = Meeting::query()->findOrFail($this->postJson("/api/meetings/{$this->meeting->id}/change")->assertSuccessful()->json('id'));
    $this->putJson("/api/meetings/$change->id", sheet($change, ['joinMode' => 'both', 'place' => 'Kilimani lab', 'room' => $room]))->assertOk();
    $this->postJson("/api/meetings/$change->id/send", ['version' => $change->refresh()->version])->assertOk();
    $of = ['host' => $this->coordinator->email, 'ines' => $this->ines->email, 'lena' => 'lena@orchard.example', 'anil' => $this->anil->email];

    expect(Dispatch::query()->where('state', 'waiting')->pluck('recipient')->sort()->values()->all())->toBe(collect($told)->map(static fn(string $who): string => $of[$who])->sort()->values()->all())
        ->and($this->meeting->refresh()->sequence)->toBe(0);
    foreach ($told as $who) {
        expect((string) mailTo($of[$who])->getTextContent())->toContain($says);
    }
})->with([
    'guests come straight in' => fn(): array => [['settings' => ['lobby' => []]], ['lena'], 'This no longer holds: '],
    'hosts may open earlier' => fn(): array => [['settings' => ['opens' => 90]], ['host'], 'You can open the meeting 90 minutes ahead.'],
    'doors open for all' => fn(): array => [['settings' => ['doors' => 30]], ['lena', 'anil', 'ines'], '30'],
    'captions' => fn(): array => [['settings' => ['captions' => false]], [], ''],
    'somebody comes to the place' => fn(): array => [['inRoom' => [test()->anil->id]], ['anil'], 'You are expected at the place, in the room.'],
    'somebody stands in' => fn(): array => [['standIn' => test()->anil->id], ['anil'], 'You stand in for the host if they cannot come.'],
    'smaller rooms' => fn(): array => [['smallRooms' => [['name' => 'Seeds', 'people' => [test()->lena->id]], ['name' => 'Soil', 'people' => []]]], ['lena'], '“Seeds”'],
    'interpreters' => fn(): array => [['interpreters' => [['personId' => test()->anil->id, 'from' => 'ne', 'to' => 'pt']]], ['host', 'anil', 'lena', 'ines'], ''],
]);

it('hangs a picture of the link on the invitation where it is wanted, and on nothing else', function (bool $wanted, string $mode): void {
    $this->putJson("/api/meetings/{$this->meeting->id}", sheet($this->meeting, ['joinMode' => $mode, 'room' => [...noRoom(), 'settings' => ['linkPicture' => $wanted]]]))->assertOk();
    $link = $this->postJson("/api/meetings/{$this->meeting->id}/kit")->assertCreated()->json('link');
    $this->postJson("/api/meetings/{$this->meeting->id}/send", ['version' => $this->meeting->refresh()->version])->assertOk();
    $png = mailTo('lena@orchard.example')->getAllAttachmentParts();
    $names = array_map(static fn($part): ?string => $part->getFilename(), $png);

    expect(in_array('link.png', $names, true))->toBe($wanted && $mode === 'online');
    if ($wanted && $mode === 'online') {
        // Read back by what the browser's tests read it with: the same matrix as the package gives for the link.
        $part = $png[array_search('link.png', $names, true)];
        $process = new Process(['node', base_path('ops/qr.mjs')], null, null, $link);
        $process->mustRun();
        expect($part->getContent())->toBe($process->getOutput())->toStartWith("\x89PNG");
    }
})->with([[true, 'online'], [false, 'online'], [true, 'phone']]);

it('cuts a meeting that is too long for its account in two, with a break', function (): void {
    $this->meeting->update(['duration_minutes' => 90, 'rrule' => 'FREQ=WEEKLY;COUNT=3', 'dropped_local' => ['2026-12-15T15:30:00']]);
    $second = $this->postJson("/api/meetings/{$this->meeting->id}/second-part", ['minutes' => 45, 'breakMinutes' => 10])->assertCreated()->json();

    expect($second)->toMatchArray(['title' => 'Grower exchange, second part', 'startLocal' => '2026-12-08T16:25:00', 'durationMinutes' => 45, 'dropped' => ['2026-12-15T16:25:00'], 'status' => 'draft'])
        ->and($second['rule']['count'])->toBe(3)->and(count($second['attendees']))->toBe(4);
    foreach ([['minutes' => 90, 'breakMinutes' => 10], ['minutes' => 44, 'breakMinutes' => 10], ['minutes' => 45, 'breakMinutes' => -5]] as $odd) {
        expect($this->postJson("/api/meetings/{$this->meeting->id}/second-part", $odd)->status())->toBeIn([409, 422]);
    }
});

it('lets house and teams change their mind about what was sent only when that is changed', function (): void {
    $this->putJson("/api/meetings/{$this->meeting->id}", sheet($this->meeting, ['joinMode' => 'online']))->assertOk();
    $this->postJson("/api/meetings/{$this->meeting->id}/kit")->assertCreated();
    $this->postJson("/api/meetings/{$this->meeting->id}/send", ['version' => $this->meeting->refresh()->version])->assertOk();
    delivered($this->meeting);
    $administrator = account(Role::Administrator);
    $touched = fn() => $this->actingAs($administrator)->getJson('/api/house-rules/touched')->assertOk()->json();
    $this->actingAs($administrator)->putJson('/api/house-rules', ['room' => ['usual' => ['doors' => 3], 'locked' => ['doors']]])->assertOk();
    expect($touched())->toBe(['count' => 1, 'some' => [['id' => $this->meeting->id, 'title' => $this->meeting->title]], 'all' => true]);
    $this->actingAs($this->coordinator);
    app()->call([new SettleRoom($this->meeting->id), 'handle']);
    $doors = fn(): int => ($this->bridge)('GET', '/rooms/' . RoomRef::of($this->meeting->id))->json('rules.doors');
    expect($doors())->toBe(10)->and(Dispatch::query()->where('state', 'waiting')->count())->toBe(0);

    $change = Meeting::query()->findOrFail($this->postJson("/api/meetings/{$this->meeting->id}/change")->assertSuccessful()->json('id'));
    $this->putJson("/api/meetings/$change->id", sheet($change, ['joinMode' => 'online', 'title' => 'Another title']))->assertOk();
    $this->postJson("/api/meetings/$change->id/send", ['version' => $change->refresh()->version])->assertOk();
    app()->call([new SettleRoom($this->meeting->id), 'handle']);
    expect($doors())->toBe(3)->and((string) mailTo($this->anil->email)->getTextContent())->toContain('Doors open 3 minutes ahead.');
});

it('is decided at the bridge’s door as the sheet said it would be', function (): void {
    $chosen = ['lock' => 20, 'countries' => ['refuse' => ['BO']], 'lobby' => ['guests', 'not_signed_in']];
    $this->putJson("/api/meetings/{$this->meeting->id}", sheet($this->meeting, ['joinMode' => 'online', 'room' => ['settings' => $chosen, 'coHosts' => [], 'presenters' => [], 'account' => null, 'reason' => null]]))->assertOk();
    $kit = $this->postJson("/api/meetings/{$this->meeting->id}/kit")->assertCreated()->json();
    $said = ($this->room)($chosen);
    $start = 1_796_733_000; // 2026-12-08T12:30:00Z
    foreach ([-14, -10, -1, 0, 19, 20] as $minute) {
        foreach ($said['groups'] as $group) {
            $arrival = fn(string $id, int $at, string $who, bool $signedIn): array => ['id' => $id, 'at' => gmdate('Y-m-d\TH:i:s\Z', $start + $at * 60), 'who' => $who, 'way' => 'link', 'signed_in' => $signedIn, 'country' => null, 'passcode' => $kit['passcode']];
            $came = [...($minute >= 0 && $group['who'] !== 'host' ? [$arrival('h', 0, 'host', true)] : []), $arrival('a', $minute, $group['who'], $group['signedIn'])];
            $decision = collect(($this->bridge)('POST', '/rooms/' . RoomRef::of($this->meeting->id) . '/arrivals', ['start' => gmdate('Y-m-d\TH:i:s\Z', $start), 'duration' => 45, 'arrivals' => $came])->throw()->json('decisions'))->last();
            $stretch = collect($group['stretches'])->first(static fn(array $s): bool => $s['from'] <= $minute && $minute < $s['until']);

            expect([$decision['outcome'], $decision['reason']])->toBe([$stretch['outcome'], $stretch['reason']], "$group[who] at $minute");
        }
    }
    $wrong = ($this->bridge)('POST', '/rooms/' . RoomRef::of($this->meeting->id) . '/arrivals', ['start' => '2026-12-08T12:30:00Z', 'duration' => 45, 'arrivals' => [['id' => 'a', 'at' => '2026-12-08T12:30:00Z', 'who' => 'guest', 'way' => 'phone', 'signed_in' => false, 'country' => null, 'passcode' => $kit['passcode']]]]);
    expect($wrong->json('decisions.0.reason'))->toBe('passcode_wrong');
});

it('says on the page behind the link what becomes of whoever comes now', function (string $who, int $startsIn, array $settings, string $passcode, string $outcome, string $reason): void {
    $this->travelBack();
    $start = now()->addMinutes($startsIn)->startOfMinute();
    $this->meeting->update(['starts_local' => $start->format('Y-m-d H:i:s'), 'zone' => 'UTC', 'host_id' => $this->coordinator->person_id, 'room' => [...noRoom(), 'settings' => $settings, 'coHosts' => [$this->anil->id]], 'join_mode' => 'online']);
    $this->postJson("/api/meetings/{$this->meeting->id}/kit")->assertCreated();
    $this->postJson("/api/meetings/{$this->meeting->id}/send", ['version' => $this->meeting->refresh()->version])->assertOk();
    app()->call([new SettleRoom($this->meeting->id), 'handle']);
    $kit = JoiningKit::query()->firstOrFail();
    $url = config('syndex.bridge.url') . parse_url($kit->link, PHP_URL_PATH);
    $address = ['host' => $this->coordinator->person->email, 'co-host' => $this->anil->email, 'guest' => 'lena@orchard.example', 'colleague' => $this->ines->email, 'somebody else' => 'mallory@field.example'][$who];
    $typed = $passcode === 'right' ? $kit->passcode : $passcode;

    expect(Http::get($url)->throw()->body())->toContain('Grower exchange')->not->toContain($kit->passcode)->not->toContain('lena@');
    $page = Http::asForm()->post($url, ['address' => mb_strtoupper($address), 'passcode' => $typed])->throw()->body();
    expect($page)->toContain("data-outcome=\"$outcome\" data-reason=\"$reason\"")->not->toContain($kit->passcode);
    if ($passcode === 'right') {
        expect(Http::asForm()->post("$url?p=$kit->passcode", ['address' => $address])->body())->toContain("data-outcome=\"$outcome\" data-reason=\"$reason\"");
    }
})->with([
    ['guest', 30, [], 'right', 'closed', 'too_early'],
    ['guest', 8, [], 'right', 'lobby', 'no_host'],
    ['guest', 8, ['beforeHost' => 'wait'], 'right', 'waits', 'no_host'],
    ['colleague', 8, ['beforeHost' => 'enter'], 'right', 'admitted', 'open'],
    ['guest', 8, ['beforeHost' => 'enter'], 'right', 'lobby', 'lobby'],
    ['host', 50, [], 'right', 'admitted', 'host'],
    ['co-host', 50, [], 'right', 'admitted', 'host'],
    ['somebody else', 8, [], 'right', 'refused', 'not_invited'],
    ['guest', 8, [], 'wrong1', 'refused', 'passcode_wrong'],
    ['host', 8, [], '', 'refused', 'passcode_missing'],
    ['colleague', 8, ['signIn' => true], 'right', 'refused', 'sign_in'],
]);

it('has no page behind a link that was closed, and takes nothing odd there', function (): void {
    $this->postJson("/api/meetings/{$this->meeting->id}/kit")->assertCreated();
    $kit = JoiningKit::query()->firstOrFail();
    $url = config('syndex.bridge.url') . parse_url($kit->link, PHP_URL_PATH);
    expect(Http::get($url)->body())->toContain('No date of this meeting lies ahead.');
    foreach (['/j/none-at-all', '/r/nobody', '/j/%3Cscript%3E', '/j/..%2f..%2fetc'] as $path) {
        expect(Http::get(config('syndex.bridge.url') . $path)->status())->toBeIn([401, 404, 400]);
    }
    ($this->bridge)('PUT', '/rooms/' . RoomRef::of($this->meeting->id), ['title' => '<script>alert(1)</script>', 'passcode' => $kit->passcode, 'pin' => $kit->pin, 'times' => [['start' => gmdate('Y-m-d\TH:i:s\Z', time() + 60), 'minutes' => 30]]]);
    expect(Http::asForm()->post($url, ['address' => '"><script>'])->body())->not->toContain('<script>');
    ($this->bridge)('DELETE', '/rooms/' . RoomRef::of($this->meeting->id));
    expect(Http::get($url)->status())->toBe(404);
});

it('gives the passcode with the link, in the link or not at all, as its room asks for it', function (array $settings, bool $inLink, bool $said): void {
    $this->putJson("/api/meetings/{$this->meeting->id}", sheet($this->meeting, ['joinMode' => 'online', 'room' => ['settings' => $settings, 'coHosts' => [], 'presenters' => [], 'account' => null, 'reason' => null]]))->assertOk();
    $made = $this->postJson("/api/meetings/{$this->meeting->id}/kit")->assertCreated()->json();
    $kit = JoiningKit::query()->firstOrFail();
    $link = $inLink ? "$kit->link?p=$kit->passcode" : $kit->link;
    $this->travelTo('2026-12-08T06:00:00Z');
    $this->postJson("/api/meetings/{$this->meeting->id}/send", ['version' => $this->meeting->refresh()->version])->assertOk();
    $mail = mailTo('lena@orchard.example');
    $calendar = str_replace(['\\,', '\\n'], [',', "\n"], icsTo('lena@orchard.example'));

    expect([$made['link'], $this->getJson("/api/meetings/{$this->meeting->id}")->json('kit.link'), $this->getJson('/api/today')->json('meetings.0.link')])->toBe([$link, $link, $link])
        ->and($made['asksPasscode'])->toBe($said);
    foreach ([(string) $mail->getTextContent(), (string) $mail->getHtmlContent(), $calendar] as $text) {
        expect(str_contains($text, "$kit->link?p="))->toBe($inLink)
            ->and(str_contains($text, "passcode $kit->passcode"))->toBe($said)
            ->and(str_contains($text, "PIN $kit->pin#"))->toBe($said)
            ->and($text)->toContain($kit->link)->toContain("then $kit->number#");
    }
    expect($calendar)->toContain("\r\nURL:$link\r\n");
})->with([
    'in the link, as usual' => [[], true, true],
    'beside it' => [['passcodeInLink' => false], false, true],
    'not at all' => [['passcode' => false], false, false],
]);

it('tells each recipient what concerns them, with the numbers of where they are, in their language', function (): void {
    $this->putJson("/api/meetings/{$this->meeting->id}", sheet($this->meeting, ['joinMode' => 'online', 'room' => ['settings' => ['lock' => 20, 'recording' => true], 'coHosts' => [], 'presenters' => [], 'account' => null, 'reason' => 'for those who sleep']]))->assertOk();
    $this->postJson("/api/meetings/{$this->meeting->id}/kit")->assertCreated();
    $this->postJson("/api/meetings/{$this->meeting->id}/send", ['version' => $this->meeting->refresh()->version])->assertOk();
    $text = static fn(string $to): string => (string) mailTo($to)->getTextContent();

    expect($text($this->coordinator->email))->toContain('You can open the meeting 60 minutes ahead. The meeting is recorded: for those who sleep.')->toContain('By phone 020 2555142 (Kenya)')->not->toContain('lobby')
        ->and($text('lena@orchard.example'))->toContain('Doors open 10 minutes ahead. Until the host comes, you wait in the lobby. You wait in the lobby until somebody lets you in.')->toContain('20 minutes after the start nobody can come in any more.')
        ->and($text($this->ines->email))->toContain('21 555 0142 (Portugal)')->toContain('A reunião é gravada: for those who sleep.')->not->toContain('até alguém')
        ->and($text($this->anil->email))->toContain('+91 11 5550 1420 (India; there is no number in Nepal)');
    expect(icsTo($this->ines->email))->toContain('21 555 0142')->not->toContain('020 2555142');
});

it('gives each kind of meeting what it needs, and nothing it does not have', function (array $changes, array $settings, array $in, array $notIn): void {
    $sheet = fn() => sheet($this->meeting->refresh(), ['place' => '', ...$changes, 'room' => ['settings' => (object) $settings, 'coHosts' => [], 'presenters' => [], 'account' => null, 'reason' => null]]);
    $this->putJson("/api/meetings/{$this->meeting->id}", $sheet())->assertOk();
    $kit = $this->postJson("/api/meetings/{$this->meeting->id}/kit")->json();
    $this->postJson("/api/meetings/{$this->meeting->id}/send", ['version' => $this->meeting->refresh()->version])->assertOk();
    $said = static fn(array $words): array => array_map(static fn(string $word): string => $kit[$word] ?? $word, $words);
    foreach ([(string) mailTo($this->ines->email)->getTextContent(), (string) mailTo($this->ines->email)->getHtmlContent(), icsTo($this->ines->email)] as $text) {
        expect(array_filter($said($in), static fn(string $word): bool => !str_contains($text, $word)))->toBe([])
            ->and(array_filter($said($notIn), static fn(string $word): bool => str_contains($text, $word)))->toBe([]);
    }
})->with([
    'online' => [['joinMode' => 'online'], [], ['link', 'passcode', 'pin', '21 555 0142'], ['Glasshouse']],
    'online and in person' => [['joinMode' => 'both', 'place' => 'Glasshouse 2'], [], ['link', 'pin', 'Glasshouse 2'], []],
    'in person' => [['joinMode' => 'in_person', 'place' => 'Glasshouse 2'], [], ['Glasshouse 2'], ['link', 'passcode', 'pin', '21 555 0142']],
    'by phone only' => [['joinMode' => 'phone'], [], ['pin', '21 555 0142'], ['link', 'passcode']],
    'by phone only, whatever is said of sound' => [['joinMode' => 'phone'], ['audio' => 'computer'], ['pin', '21 555 0142'], ['link']],
    'sound by computer alone' => [['joinMode' => 'online'], ['audio' => 'computer'], ['link', 'passcode'], ['pin', '21 555 0142']],
]);

it('is not sent without what its kind needs', function (string $mode, bool $kit, bool $numbers, array $missing): void {
    $this->meeting->update(['join_mode' => $mode, 'place' => null]);
    if ($kit) {
        $this->postJson("/api/meetings/{$this->meeting->id}/kit")->assertCreated();
        if (!$numbers) {
            JoiningKit::query()->update(['dial_ins' => '[]']);
        }
    }
    $this->postJson("/api/meetings/{$this->meeting->id}/send", ['version' => $this->meeting->refresh()->version])->assertStatus(422)->assertJson(['details' => ['missing' => $missing]]);
})->with([['online', false, false, ['kit']], ['phone', false, false, ['kit']], ['phone', true, false, ['phones']], ['in_person', false, false, ['place']], ['both', true, true, ['place']]]);

it('leaves a silent bridge alone for a while, keeps what it knew of it, and goes on when it answers', function (): void {
    expect(app(BridgeOffers::class)->numbers())->not->toBe([]);
    config(['syndex.bridge.timeout_seconds' => 1]);
    app()->forgetInstance(Bridge::class);
    ($this->bridge)('PUT', '/faults', ['drop' => true]);
    for ($i = 0; $i < 3; $i++) {
        $this->postJson("/api/meetings/{$this->meeting->id}/kit")->assertStatus(503);
    }
    ($this->bridge)('PUT', '/faults');
    $this->postJson("/api/meetings/{$this->meeting->id}/kit")->assertStatus(503)->assertJson(['code' => 'bridge_silent']);
    expect(($this->room)()['account']['id'])->toBe('greenhouse');
    Cache::store('progress')->forget('bridge-silent');
    $this->postJson("/api/meetings/{$this->meeting->id}/kit")->assertCreated();
});
