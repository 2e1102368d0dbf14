<?php

declare(strict_types=1);

use App\Invitations\Dispatch;
use App\Joining\JoiningKit;
use App\Joining\SettleRoom;
use App\Joining\SettleStanding;
use App\People\Role;
use App\Planning\Meeting;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Http;

use function Tests\Feature\account;
use function Tests\Feature\colleague;
use function Tests\Feature\delivered;
use function Tests\Feature\guest;
use function Tests\Feature\mailTo;
use function Tests\Feature\meeting;
use function Tests\Feature\noRoom;
use function Tests\Feature\sheet;

beforeEach(function (): void {
    $this->travelTo('2026-11-25T09:00:00Z');
    $this->wanjiru = colleague('Wanjiru Achola');
    $this->coordinator = account(Role::Coordinator, $this->wanjiru);
    $this->actingAs($this->coordinator);
    $this->ines = colleague('Inês Varela', 'Europe/Lisbon');
    $this->lena = guest('lena@orchard.example');
    $this->held = function (array $people, array $values = [], array $room = []): Meeting {
        $meeting = meeting($this->coordinator, [$this->wanjiru, ...$people], ['host_id' => $this->wanjiru->id, 'starts_local' => '2026-12-08 15:30:00', 'rrule' => null, 'join_mode' => 'online', 'room' => [...noRoom(), 'standing' => true, ...$room], ...$values]);
        $this->postJson("/api/meetings/$meeting->id/kit")->assertSuccessful();
        $this->postJson("/api/meetings/$meeting->id/send", ['version' => $meeting->refresh()->version])->assertOk();
        delivered($meeting);

        return $meeting->refresh();
    };
    $this->own = fn(): string => "/api/people/{$this->wanjiru->id}/room";
    $this->bridge = fn(string $method, string $path, array $body = []) => Http::withToken(config('syndex.bridge.key'))->send($method, config('syndex.bridge.url') . $path, ['json' => $body])->json();
    $this->told = fn() => ($this->bridge)('GET', '/rooms/meeting-' . strtolower($this->wanjiru->id));
});

afterEach(function (): void {
    array_map(Cache::store('progress')->forget(...), ['bridge-silent', 'bridge-offers']);
});

it('holds meetings in one room, which says nothing of rooms made for one, nor they of it', function (): void {
    $one = ($this->held)([$this->ines]);
    $two = ($this->held)([$this->lena], ['starts_local' => '2026-12-09 15:30:00']);
    $other = ($this->held)([$this->lena], ['starts_local' => '2026-12-10 15:30:00'], ['standing' => false]);

    expect($one->kit->link)->toBe($two->kit->link)->not->toBe($other->kit->link)
        ->and($one->kit->person_id)->toBe($this->wanjiru->id)->and($other->kit->person_id)->toBeNull()
        ->and($other->kit->passcode)->not->toBe($one->kit->passcode)
        ->and((string) mailTo('lena@orchard.example')->getTextContent())->toContain($other->kit->link)->not->toContain($two->kit->link)
        ->and($this->getJson("/api/meetings/$one->id")->json('kit.standingOf'))->toBe($this->wanjiru->id);

    // Calling one off leaves the room open for the other.
    $this->postJson("/api/meetings/$one->id/call-off")->assertOk();
    expect(($this->told)()['closed'])->toBeFalse()->and($two->refresh()->kit->closed_at)->toBeNull();
});

it('goes under the rules of the meeting that is on or comes next, and of the house where none is', function (): void {
    ($this->held)([$this->ines], room: ['settings' => ['doors' => 5]]);
    ($this->held)([$this->lena], ['starts_local' => '2026-12-09 15:30:00', 'title' => 'The second'], ['settings' => ['doors' => 25]]);
    expect(($this->told)()['rules']['doors'])->toBe(5);

    foreach (['2026-12-08T12:35:00Z' => 5, '2026-12-08T13:31:00Z' => 25, '2026-12-09T13:31:00Z' => 10] as $moment => $doors) {
        $this->travelTo($moment);
        app()->call([new SettleStanding(), 'handle']);
        expect([$moment, ($this->told)()['rules']['doors']])->toBe([$moment, $doors]);
    }
});

it('says who still holds the link, until it has another passcode', function (): void {
    ($this->held)([$this->ines, $this->lena]);
    $holders = function (array $asked): array {
        $next = meeting($this->coordinator, [$this->wanjiru, ...$asked], ['host_id' => $this->wanjiru->id, 'starts_local' => '2026-12-15 15:30:00', 'join_mode' => 'online']);

        return $this->postJson('/api/room', [...sheet($next), 'hostId' => $this->wanjiru->id, 'joinMode' => 'online', 'room' => [...noRoom(), 'settings' => (object) [], 'standing' => true], 'meetingId' => $next->id])->assertOk()->json('holders');
    };
    $about = fn(array $people): array => ['count' => count($people), 'some' => array_map(static fn($p): array => ['id' => $p->id, 'name' => $p->called()], $people)];
    expect($holders([]))->toBe($about([$this->ines, $this->lena]))->and($holders([$this->lena]))->toBe($about([$this->ines]));

    $this->travelTo('2026-12-20T09:00:00Z');
    $this->postJson(($this->own)(), ['what' => ['passcode']])->assertOk();
    expect($holders([]))->toBe(['count' => 0, 'some' => []]);
});

it('marks every meeting in the room when it is made anew, and tells by one press', function (): void {
    $meetings = [($this->held)([$this->ines]), ($this->held)([$this->lena], ['starts_local' => '2026-12-09 15:30:00'])];
    $other = ($this->held)([$this->ines], ['starts_local' => '2026-12-10 15:30:00'], ['standing' => false]);
    $old = $meetings[0]->kit->passcode;
    $said = $this->postJson(($this->own)(), ['what' => ['passcode']])->assertOk()->json();

    expect($said['kit']['passcode'])->not->toBe($old)->and(array_column($said['meetings'], 'stale'))->toBe([true, true])
        ->and($other->refresh()->kit_stale_at)->toBeNull();
    $this->postJson("/api/meetings/{$meetings[0]->id}/kit/tell")->assertOk();
    expect(array_column($this->getJson(($this->own)())->json('meetings'), 'stale'))->toBe([false, false])
        ->and(Dispatch::query()->where('state', 'waiting')->distinct()->pluck('recipient')->sort()->values()->all())->toBe(collect([$this->coordinator->email, $this->ines->email, 'lena@orchard.example'])->sort()->values()->all());
});

it('takes an address of one’s own choosing, and the old one is dead for good', function (): void {
    $this->getJson(($this->own)())->assertOk()->assertJson(['kit' => null, 'meetings' => []]);
    $this->postJson(($this->own)())->assertOk();
    $meeting = ($this->held)([$this->ines]);
    // The bridge of these tests lasts longer than one run, and so do its addresses.
    [$first, $second, $third] = array_map(static fn(string $name): string => $name . '-' . bin2hex(random_bytes(4)), ['seed-table', 'vault', 'greenhouse']);
    $choose = fn(?string $address, ?string $path = null) => $this->putJson(($path ?? ($this->own)()) . '/address', ['address' => $address]);

    expect($choose($first)->assertOk()->json('kit.link'))->toStartWith("https://meet.syndex.example/r/$first")
        ->and($meeting->refresh()->kit_stale_at)->not->toBeNull();
    $choose($second)->assertOk();
    foreach ([$first => 'taken', 'wanjiru-achola' => 'name', 'ines-varela' => 'name', 'inesvarela' => 'name', 'No Way' => 'form', 'ab' => 'form', '-ab-' => 'form'] as $address => $why) {
        $choose($address)->assertStatus(422)->assertJsonPath('errors.address.0', __("planning.address_$why"));
    }
    // Somebody else gets neither the present nor a former one.
    $others = "/api/people/{$this->ines->id}/room";
    $this->postJson($others)->assertOk();
    foreach ([$first, $second] as $address) {
        $choose($address, $others)->assertStatus(422);
    }
    expect($choose(null)->assertOk()->json('kit.address'))->toBeNull()->and(($this->told)()['link'])->not->toContain('/r/');
    $choose($second)->assertStatus(422);
    // One that the bridge has given away outside is refused there, and nothing is kept of it here.
    ($this->bridge)('PUT', '/rooms/' . $third, ['title' => 'x', 'passcode' => 'abcdef23', 'pin' => '123456', 'address' => $third]);
    $choose($third)->assertStatus(422)->assertJsonPath('errors.address.0', __('planning.address_taken'));
    expect(JoiningKit::query()->where('room_id', $this->wanjiru->id)->value('address'))->toBeNull()->and($this->getJson(($this->own)())->json('kit.settled'))->toBeTrue();
});

it('says where the room is taken by another meeting then, on the sheet and where it is read back', function (): void {
    ($this->held)([$this->ines], ['title' => 'Seed table']);
    $draft = fn(string $start): array => $this->postJson('/api/room', [...sheet($meeting = meeting($this->coordinator, [$this->wanjiru], ['host_id' => $this->wanjiru->id, 'starts_local' => $start, 'join_mode' => 'online', 'room' => [...noRoom(), 'standing' => true]])), 'hostId' => $this->wanjiru->id, 'room' => [...noRoom(), 'settings' => (object) [], 'standing' => true], 'meetingId' => $meeting->id])->assertOk()->json('conflicts');
    $taken = static fn(array $conflicts): array => array_values(array_filter($conflicts, static fn(array $c): bool => $c['kind'] === 'room_taken'));

    expect($taken($draft('2026-12-08 15:45:00'))[0]['facts'])->toBe(['title' => 'Seed table', 'date' => '2026-12-08T15:45:00'])
        ->and($taken($draft('2026-12-08 16:30:00')))->toBe([])->and($taken($draft('2026-12-08 14:30:00')))->toBe([]);
    $meeting = Meeting::query()->where('starts_local', '2026-12-08 15:45:00')->firstOrFail();
    $this->postJson("/api/meetings/$meeting->id/kit")->assertSuccessful();
    expect($taken(array_map(static fn(array $o): array => ['kind' => $o['kind'] ?? '', ...$o], $this->getJson("/api/meetings/$meeting->id/read-back")->assertOk()->json('odd'))))->toHaveCount(1);
});

it('leaves a room that was made for a meeting when that moves into the lasting one, and tells everybody', function (): void {
    $meeting = ($this->held)([$this->ines], room: ['standing' => false]);
    $own = $meeting->kit->link;
    $change = Meeting::query()->findOrFail($this->postJson("/api/meetings/$meeting->id/change")->assertSuccessful()->json('id'));
    $this->putJson("/api/meetings/$change->id", [...sheet($change), 'hostId' => $this->wanjiru->id, 'joinMode' => 'online', 'room' => [...noRoom(), 'settings' => (object) [], 'standing' => true]])->assertOk();
    $lasting = $this->postJson("/api/meetings/$change->id/kit")->assertSuccessful()->json('link');
    $this->postJson("/api/meetings/$change->id/send", ['version' => $change->refresh()->version])->assertOk();

    expect($lasting)->not->toContain($own)->and($meeting->refresh()->kit->link)->not->toBe($own)
        ->and((string) mailTo($this->ines->email)->getTextContent())->toContain('The link to join is a new one')->toContain($meeting->kit->link)
        ->and(($this->bridge)('GET', "/rooms/meeting-$meeting->id")['closed'])->toBeFalse();
    // An hour later, as a job that waits for the commit.
    app()->call([new SettleRoom($meeting->id), 'handle']);
    expect(($this->bridge)('GET', "/rooms/meeting-$meeting->id")['closed'])->toBeTrue()->and(($this->told)()['closed'])->toBeFalse();

    // Back again it has another room: the old one is closed for good.
    $back = Meeting::query()->findOrFail($this->postJson("/api/meetings/$meeting->id/change")->assertSuccessful()->json('id'));
    $this->putJson("/api/meetings/$back->id", [...sheet($back), 'hostId' => $this->wanjiru->id, 'joinMode' => 'online', 'room' => [...noRoom(), 'settings' => (object) []]])->assertOk();
    expect($this->postJson("/api/meetings/$back->id/kit")->assertSuccessful()->json('link'))->not->toContain($own)->not->toContain($lasting);
});

it('is the person’s own, and of whoever plans', function (): void {
    $this->actingAs(account(Role::Colleague, $this->ines));
    $this->getJson(($this->own)())->assertNotFound();
    $this->postJson(($this->own)())->assertNotFound();
    $this->putJson(($this->own)() . '/address', ['address' => 'mine-now'])->assertNotFound();
    $this->postJson("/api/people/{$this->ines->id}/room")->assertOk();
});

it('goes over to the later part of a series that was cut, with its people and its dates', function (): void {
    $meeting = ($this->held)([$this->ines], ['rrule' => 'FREQ=WEEKLY;COUNT=4'], ['standing' => false]);
    $change = Meeting::query()->findOrFail($this->postJson("/api/meetings/$meeting->id/change", ['from' => '2026-12-22T15:30:00'])->assertSuccessful()->json('id'));
    $this->putJson("/api/meetings/$change->id", [...sheet($change), 'attendees' => [...sheet($change)['attendees'], ['personId' => $this->lena->id, 'role' => 'required']], 'hostId' => $this->wanjiru->id, 'joinMode' => 'online', 'room' => [...noRoom(), 'settings' => (object) ['doors' => 25]]])->assertOk();
    $this->postJson("/api/meetings/$change->id/send", ['version' => $change->refresh()->version])->assertOk();
    app()->call([new SettleRoom($meeting->id), 'handle']);
    $room = fn(): array => ($this->bridge)('GET', "/rooms/meeting-$meeting->id");
    expect($change->refresh()->room_of)->toBe($meeting->id)->and($room()['rules']['doors'])->toBe(10);

    // The last of the earlier dates has ended.
    $this->travelTo('2026-12-15T13:31:00Z');
    app()->call([new SettleStanding(), 'handle']);
    expect($room()['rules']['doors'])->toBe(25)->and($room()['closed'])->toBeFalse();
});
