<?php

declare(strict_types=1);

use App\Failure\BridgeFailed;
use App\Invitations\Dispatch;
use App\Joining\Bridge;
use App\Joining\JoiningKit;
use App\Joining\RoomRef;
use App\Joining\SettleRoom;
use App\People\Role;
use App\Planning\Meeting;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Facades\Queue;

use function Tests\Feature\account;
use function Tests\Feature\colleague;
use function Tests\Feature\delivered;
use function Tests\Feature\guest;
use function Tests\Feature\icsTo;
use function Tests\Feature\mailTo;
use function Tests\Feature\meeting;
use function Tests\Feature\sheet;

beforeEach(function (): void {
    $this->travelTo('2026-11-25T09:00:00Z');
    $this->coordinator = account(Role::Coordinator, colleague('Wanjiru Achola'));
    $this->actingAs($this->coordinator);
    $this->ines = colleague('Inês Varela', 'Europe/Lisbon');
    $this->lena = guest('lena@orchard.example');
    $this->sent = function (array $people, array $values = []): Meeting {
        $meeting = meeting($this->coordinator, [$this->coordinator->person, ...$people], ['starts_local' => '2026-12-08 15:30:00', 'rrule' => null, 'join_mode' => 'online', ...$values]);
        $this->postJson("/api/meetings/$meeting->id/kit")->assertSuccessful();
        $this->postJson("/api/meetings/$meeting->id/send", ['version' => $meeting->refresh()->version])->assertOk();
        delivered($meeting);

        return $meeting->refresh();
    };
    $this->meeting = ($this->sent)([$this->ines, $this->lena]);
    $this->anew = fn(array $what) => $this->postJson("/api/meetings/{$this->meeting->id}/kit/anew", ['what' => $what]);
    $this->waiting = fn(): array => Dispatch::query()->where('state', 'waiting')->orderBy('recipient')->pluck('recipient')->all();
    $this->everybody = collect([$this->coordinator->email, $this->ines->email, 'lena@orchard.example'])->sort()->values()->all();
});

it('marks the meeting until those who hold the old one are told, by one press, and nobody else', function (array $what, array $other, array $same, string $line): void {
    $elsewhere = ($this->sent)([$this->lena]);
    $before = JoiningKit::query()->where('meeting_id', $this->meeting->id)->firstOrFail()->only(['link', 'number', 'passcode', 'pin']);
    $now = ($this->anew)($what)->assertOk()->json();
    $after = JoiningKit::query()->where('meeting_id', $this->meeting->id)->firstOrFail()->only(['link', 'number', 'passcode', 'pin']);

    expect($now['kitStale'])->toBeTrue()
        ->and(array_keys(array_diff_assoc($after, $before)))->toBe($other)->and(array_keys(array_intersect_assoc($after, $before)))->toBe($same)
        ->and(($this->waiting)())->toBe([])
        ->and(collect($this->getJson('/api/meetings?which=sent')->json('meetings'))->pluck('kitStale', 'id')->all())->toEqual([$this->meeting->id => true, $elsewhere->id => false])
        ->and(collect($this->getJson('/api/today')->json('needs'))->where('code', 'kit_stale')->values()->all())->toBe([['code' => 'kit_stale', 'meetingId' => $this->meeting->id, 'title' => $this->meeting->title, 'people' => 3]])
        ->and(collect($this->getJson('/api/dispatches')->json('dispatches'))->where('stale', true)->pluck('meetingId')->unique()->values()->all())->toBe([$this->meeting->id]);

    $this->postJson("/api/meetings/{$this->meeting->id}/kit/tell")->assertOk()->assertJson(['kitStale' => false, 'told' => 3]);
    expect(($this->waiting)())->toBe($this->everybody)
        ->and((string) mailTo('lena@orchard.example')->getTextContent())->toContain($after[$other[0]])->toContain($line)->not->toContain($before[$other[0]])
        ->and(icsTo('lena@orchard.example'))->toContain($after[$other[count($other) - 1]])->not->toContain($before[$other[count($other) - 1]]);
    // Once more tells nobody.
    delivered($this->meeting);
    $this->postJson("/api/meetings/{$this->meeting->id}/kit/tell")->assertOk()->assertJson(['told' => 0]);
    expect(($this->waiting)())->toBe([]);
})->with([
    'the passcode' => [['passcode'], ['passcode'], ['link', 'number', 'pin'], 'The passcode is a new one'],
    'the PIN' => [['pin'], ['pin'], ['link', 'number', 'passcode'], 'The PIN for telephones is a new one'],
    'the link, and with it the number' => [['link'], ['link', 'number'], ['passcode', 'pin'], 'The link to join is a new one'],
    'all' => [['link', 'passcode', 'pin'], ['link', 'number', 'passcode', 'pin'], [], 'The link to join is a new one'],
]);

it('is corrected by a change of the meeting too', function (): void {
    ($this->anew)(['passcode'])->assertOk();
    $change = Meeting::query()->findOrFail($this->postJson("/api/meetings/{$this->meeting->id}/change")->json('id'));
    $this->putJson("/api/meetings/$change->id", sheet($change, ['rule' => null, 'startLocal' => '2026-12-08T15:30:00', 'joinMode' => 'online', 'place' => '', 'title' => 'Lot review, moved']))->assertOk();
    $this->postJson("/api/meetings/$change->id/send", ['version' => $change->refresh()->version])->assertOk()->assertJson(['kitStale' => false]);

    expect((string) mailTo('lena@orchard.example')->getTextContent())->toContain('The passcode is a new one')->toContain('Lot review, moved');
});

it('says who holds it, and marks every meeting in the same room', function (): void {
    $part = ($this->sent)([$this->lena], ['kit_of' => $this->meeting->id, 'title' => 'Later part']);
    expect($this->getJson("/api/meetings/{$this->meeting->id}/kit/anew")->assertOk()->json('meetings'))->toEqualCanonicalizing([
        ['id' => $this->meeting->id, 'title' => $this->meeting->title, 'people' => 3, 'stale' => false], ['id' => $part->id, 'title' => 'Later part', 'people' => 2, 'stale' => false],
    ]);
    ($this->anew)(['passcode'])->assertOk();
    expect(Meeting::query()->whereNotNull('kit_stale_at')->count())->toBe(2);
    $this->postJson("/api/meetings/$part->id/kit/tell")->assertOk()->assertJson(['told' => 5]);
    expect(Meeting::query()->whereNotNull('kit_stale_at')->count())->toBe(0);
});

it('marks a meeting whose room the bridge forgot and made again', function (): void {
    Http::withToken(config('syndex.bridge.key'))->put(config('syndex.bridge.url') . '/faults', ['forget' => RoomRef::of($this->meeting->id)])->throw();
    JoiningKit::query()->update(['unsettled_at' => now()]);
    app()->call([new SettleRoom($this->meeting->id), 'handle']);

    expect($this->meeting->refresh()->kit_stale_at)->not->toBeNull();
});

it('does not pass for done or undone where the bridge closed the old room and gave no other', function (): void {
    Queue::fake();
    $this->mock(Bridge::class, static function ($bridge): void {
        $bridge->shouldReceive('close')->once();
        $bridge->shouldReceive('settle')->once()->andThrow(BridgeFailed::refused(422));
    });
    ($this->anew)(['link'])->assertStatus(502)->assertJson(['code' => 'bridge_refused', 'details' => ['settled' => false]]);

    expect(JoiningKit::query()->firstOrFail()->unsettled_at)->not->toBeNull();
    Queue::assertPushed(SettleRoom::class);
});

it('leaves no mark where the bridge refused and did nothing', function (): void {
    $this->mock(Bridge::class, static fn($bridge) => $bridge->shouldReceive('settle')->once()->andThrow(BridgeFailed::refused(422)));
    ($this->anew)(['passcode'])->assertStatus(502);

    expect(JoiningKit::query()->firstOrFail()->unsettled_at)->toBeNull()->and($this->meeting->refresh()->kit_stale_at)->toBeNull();
});

it('refuses what is none, and what is not sent or over', function (): void {
    ($this->anew)([])->assertStatus(422)->assertJsonValidationErrors('what');
    ($this->anew)(['door'])->assertStatus(422)->assertJsonValidationErrors('what.0');
    $draft = meeting($this->coordinator, [$this->ines]);
    $this->postJson("/api/meetings/$draft->id/kit/anew", ['what' => ['pin']])->assertStatus(409);
    $this->travelTo('2027-01-08T09:00:00Z');
    ($this->anew)(['pin'])->assertStatus(409)->assertJson(['code' => 'over']);
});
