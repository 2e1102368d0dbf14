<?php

declare(strict_types=1);

use App\HouseRules\HouseRules;
use App\Joining\Bridge;
use App\Joining\CloseRoom;
use App\Joining\JoiningKit;
use App\Joining\RoomRef;
use App\Joining\SettleRoom;
use App\People\Role;
use App\Planning\MakeRoom;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Facades\Queue;

use function Tests\Feature\account;
use function Tests\Feature\colleague;
use function Tests\Feature\meeting;

/*
 * Against the bridge stand-in of the tests' house, over its real protocol.
 */
beforeEach(function (): void {
    $this->coordinator = account(Role::Coordinator, colleague('Wanjiru Achola'));
    $this->actingAs($this->coordinator);
    $this->meeting = meeting($this->coordinator, [$this->coordinator->person]);
    $this->bridge = fn(string $method, string $path, array $body = []) => Http::withToken(config('syndex.bridge.key'))->send($method, config('syndex.bridge.url') . $path, ['json' => $body]);
});

afterEach(function (): void {
    ($this->bridge)('PUT', '/faults');
    Cache::store('progress')->forget('bridge-silent');
});

it('gets a room of its own, with a passcode made up', function (): void {
    $kit = $this->postJson("/api/meetings/{$this->meeting->id}/kit")->assertCreated()->json();

    expect($kit['link'])->toStartWith('https://')->and($kit['number'])->toMatch('/^\d{3} \d{3} \d{3}$/')->and($kit['passcode'])->toMatch('/^[A-Za-z0-9]{8}$/')
        ->and($kit['pin'])->toMatch('/^\d{6}$/')->and($kit['dialIns'][0]['uri'])->toMatch('/^tel:\+\d+$/');
});

it('takes a passcode of the coordinator\'s own, and tells the bridge', function (): void {
    $first = $this->postJson("/api/meetings/{$this->meeting->id}/kit")->json();
    $second = $this->postJson("/api/meetings/{$this->meeting->id}/kit", ['passcode' => 'Saatgut7'])->assertOk()->json();

    expect($second['passcode'])->toBe('Saatgut7')->and($second['link'])->toBe(str_replace($first['passcode'], 'Saatgut7', $first['link']))->not->toBe($first['link'])->and(JoiningKit::query()->count())->toBe(1);
    $this->postJson("/api/meetings/{$this->meeting->id}/kit", ['passcode' => 'no spaces!'])->assertStatus(422)->assertJsonStructure(['errors' => ['passcode']]);
});

it('keeps the meeting as it was when the bridge fails', function (array $fault, int $status, string $code): void {
    config(['syndex.bridge.timeout_seconds' => 1]);
    app()->forgetInstance(Bridge::class);
    ($this->bridge)('PUT', '/faults', $fault);
    $this->postJson("/api/meetings/{$this->meeting->id}/kit")->assertStatus($status)->assertJson(['code' => $code]);

    expect(JoiningKit::query()->count())->toBe(0);
})->with(['slow' => [['slowMs' => 2500], 503, 'bridge_silent'], 'cutting the line' => [['drop' => true], 503, 'bridge_silent'], 'refusing' => [['refuse' => true], 502, 'bridge_refused']]);

it('heals by itself when the bridge is back, and only where a room is still wanted', function (): void {
    Queue::fake();
    ($this->bridge)('PUT', '/faults', ['drop' => true]);
    $this->meeting->update(['join_mode' => 'online']);
    $this->postJson("/api/meetings/{$this->meeting->id}/kit")->assertStatus(503);
    Queue::assertPushed(MakeRoom::class, 1);
    ($this->bridge)('PUT', '/faults');
    Cache::store('progress')->forget('bridge-silent');
    $heal = fn() => app()->call([new MakeRoom($this->meeting->id), 'handle']);
    $this->meeting->update(['join_mode' => 'in_person']);
    $heal();
    expect(JoiningKit::query()->count())->toBe(0);
    $this->meeting->update(['join_mode' => 'online']);
    $heal();
    $heal();
    expect(JoiningKit::query()->count())->toBe(1);
    Queue::assertPushed(MakeRoom::class, 1);
});

it('refuses a passcode that everybody tries first, or is shorter than the house allows', function (): void {
    $set = fn(string $typed) => $this->postJson("/api/meetings/{$this->meeting->id}/kit", ['passcode' => $typed]);
    $set('password1')->assertStatus(422)->assertJsonValidationErrors(['passcode' => 'Everybody tries this one first']);
    $set('Saatgut7')->assertCreated()->assertJsonPath('strength', ['bits' => 47, 'is' => 'good']);
    app(HouseRules::class)->set(['room' => ['usual' => ['passcodeLength' => 12], 'locked' => ['passcodeLength']]]);
    $set('Saatgut7')->assertStatus(422)->assertJsonValidationErrors(['passcode' => '12 to 16']);
    expect($this->postJson("/api/meetings/{$this->meeting->id}/kit", ['change' => true])->assertOk()->json('passcode'))->toHaveLength(12);
});

describe('an answer of the bridge that is lost', function (): void {
    beforeEach(function (): void {
        Queue::fake();
        $this->room = fn() => ($this->bridge)('GET', '/rooms/' . RoomRef::of($this->meeting->id));
        $this->settle = fn() => app()->call([new SettleRoom($this->meeting->id), 'handle']);
    });

    it('leaves no room behind that no meeting has', function (): void {
        ($this->bridge)('PUT', '/faults', ['dropAfter' => true]);
        $this->postJson("/api/meetings/{$this->meeting->id}/kit")->assertStatus(503)->assertJson(['code' => 'bridge_silent']);
        ($this->bridge)('PUT', '/faults');

        expect(($this->room)()->json('closed'))->toBeFalse()->and(JoiningKit::query()->count())->toBe(0);
        Queue::assertPushed(SettleRoom::class, static fn(SettleRoom $job): bool => $job->roomId === test()->meeting->id);
        ($this->settle)();
        expect(($this->room)()->json('closed'))->toBeTrue();
    });

    it('gives the same meeting one room, however often it is tried', function (): void {
        ($this->bridge)('PUT', '/faults', ['dropAfter' => true]);
        $this->postJson("/api/meetings/{$this->meeting->id}/kit")->assertStatus(503);
        $lost = ($this->bridge)('PUT', '/faults')->successful() ? ($this->room)()->json('link') . '?p=' : '-';

        expect($this->postJson("/api/meetings/{$this->meeting->id}/kit")->assertCreated()->json('link'))->toStartWith($lost);
        ($this->settle)();
        expect(($this->room)()->json('closed'))->toBeFalse();
    });

    it('sends no passcode that may not hold, until the bridge has said which does', function (): void {
        $kit = $this->postJson("/api/meetings/{$this->meeting->id}/kit")->json();
        $this->meeting->update(['join_mode' => 'online']);
        ($this->bridge)('PUT', '/faults', ['dropAfter' => true]);
        $this->postJson("/api/meetings/{$this->meeting->id}/kit", ['passcode' => 'Saatgut7'])->assertStatus(503);
        ($this->bridge)('PUT', '/faults');
        $send = fn() => $this->postJson("/api/meetings/{$this->meeting->id}/send", ['version' => $this->meeting->refresh()->version]);

        $send()->assertStatus(422)->assertJson(['details' => ['missing' => ['kit_unsettled']]]);
        ($this->settle)();
        expect(JoiningKit::query()->firstOrFail()->passcode)->toBe($kit['passcode'])->and(JoiningKit::query()->firstOrFail()->unsettled_at)->toBeNull();
        $send()->assertOk();
    });
});

it('closes a room once, and once more without harm', function (): void {
    $this->postJson("/api/meetings/{$this->meeting->id}/kit");
    $kit = JoiningKit::query()->firstOrFail();
    app()->call([new CloseRoom(RoomRef::of($kit->room_id)), 'handle']);
    app()->call([new CloseRoom(RoomRef::of($kit->room_id)), 'handle']);

    expect(($this->bridge)('GET', '/rooms/' . RoomRef::of($kit->room_id))->json('closed'))->toBeTrue()->and($kit->refresh()->closed_at)->not->toBeNull();
});
