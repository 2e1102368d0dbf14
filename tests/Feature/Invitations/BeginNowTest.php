<?php

declare(strict_types=1);

use App\Invitations\Dispatch;
use App\Joining\Bridge;
use App\People\Role;
use App\Planning\Meeting;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Facades\Queue;

use function Tests\Feature\account;
use function Tests\Feature\colleague;
use function Tests\Feature\delivered;
use function Tests\Feature\guest;
use function Tests\Feature\icsTo;
use function Tests\Feature\mailTo;
use function Tests\Feature\meeting;

beforeEach(function (): void {
    $this->travelTo('2026-12-08T12:34:56Z');
    config(['syndex.outbox.hold_seconds' => 30]);
    $this->coordinator = account(Role::Coordinator, colleague('Wanjiru Achola'));
    $this->actingAs($this->coordinator);
    $this->ines = colleague('Inês Varela', 'Europe/Lisbon');
    $this->lena = guest('lena@orchard.example');
    $this->now = fn(array $changes = []) => $this->postJson('/api/meetings/now', ['title' => 'A word with Inês', 'people' => [$this->ines->id, $this->lena->id], ...$changes]);
});

it('begins this minute with a room of its own, and tells everybody without the hold', function (): void {
    $meeting = ($this->now)()->assertCreated()->json();

    expect($meeting)->toMatchArray(['status' => 'sent', 'title' => 'A word with Inês', 'startLocal' => '2026-12-08T15:34:00', 'zone' => 'Africa/Nairobi', 'durationMinutes' => 30, 'joinMode' => 'online', 'hostId' => $this->coordinator->person_id, 'runningUntil' => '2026-12-08T13:04:00Z'])
        ->and($meeting['kit']['link'])->toStartWith('https://')
        ->and(array_column(array_column($meeting['attendees'], 'person'), 'id'))->toBe([$this->coordinator->person_id, $this->ines->id, $this->lena->id])
        ->and(Dispatch::query()->where('hold_until', '<=', now())->orderBy('recipient')->pluck('recipient')->all())->toBe(collect([$this->coordinator->email, $this->ines->email, 'lena@orchard.example'])->sort()->values()->all())
        ->and((string) mailTo('lena@orchard.example')->getTextContent())->toContain($meeting['kit']['link'])
        ->and($this->getJson('/api/today')->json('meetings.0'))->toMatchArray(['title' => 'A word with Inês', 'state' => 'now', 'link' => $meeting['kit']['link']]);
});

it('calls more people in while it runs, and tells them alone', function (): void {
    $meeting = ($this->now)(['people' => [$this->ines->id]])->json();
    delivered(Meeting::query()->findOrFail($meeting['id']));
    $this->travel(3)->minutes();
    $then = $this->postJson("/api/meetings/$meeting[id]/call-in", ['people' => [$this->lena->id]])->assertOk()->json();

    expect(array_column(array_column($then['attendees'], 'person'), 'id'))->toBe([$this->coordinator->person_id, $this->ines->id, $this->lena->id])
        ->and($then['kit']['link'])->toBe($meeting['kit']['link'])->and($then['changeId'])->toBeNull()
        ->and(Dispatch::query()->where('state', 'waiting')->where('hold_until', '<=', now())->pluck('recipient')->all())->toBe(['lena@orchard.example']);
});

it('can be planned again as a series', function (): void {
    $again = $this->postJson('/api/meetings', ['from' => ($this->now)()->json('id')])->assertCreated()->json();
    expect($again)->toMatchArray(['status' => 'draft', 'title' => 'A word with Inês', 'kit' => null]);
});

it('is not there, and nobody was told, where no room can be had', function (): void {
    Queue::fake();
    config(['syndex.bridge.timeout_seconds' => 1]);
    app()->forgetInstance(Bridge::class);
    $bridge = fn(array $faults) => Http::withToken(config('syndex.bridge.key'))->put(config('syndex.bridge.url') . '/faults', $faults);
    $bridge(['refuse' => true]);
    try {
        ($this->now)()->assertStatus(502)->assertJson(['code' => 'bridge_refused']);
    } finally {
        $bridge(['refuse' => false]);
        Cache::store('progress')->forget('bridge-silent');
    }
    expect(Meeting::query()->count())->toBe(0)->and(Dispatch::query()->count())->toBe(0);
});

it('refuses what is nobody or nothing, and to call into a series or beside a change', function (): void {
    ($this->now)(['people' => []])->assertStatus(422)->assertJsonValidationErrors('people');
    ($this->now)(['people' => ['none']])->assertStatus(422)->assertJsonValidationErrors('people.0');
    ($this->now)(['title' => ' '])->assertStatus(422)->assertJsonValidationErrors('title');
    $this->ines->update(['left_at' => now()]);
    ($this->now)()->assertStatus(422)->assertJsonValidationErrors('people.0');
    $this->ines->update(['left_at' => null]);
    $meeting = Meeting::query()->findOrFail(($this->now)(['people' => [$this->ines->id]])->json('id'));
    $this->postJson("/api/meetings/$meeting->id/change")->assertCreated();
    $this->postJson("/api/meetings/$meeting->id/call-in", ['people' => [$this->lena->id]])->assertStatus(409)->assertJson(['code' => 'change_waits']);
    Meeting::query()->where('changes_id', $meeting->id)->delete();
});

it('calls into the date of a series that goes on, and tells of that alone', function (): void {
    $meeting = meeting($this->coordinator, [$this->coordinator->person, $this->ines], ['starts_local' => now('Africa/Nairobi')->addDay()->format('Y-m-d 15:30:00'), 'rrule' => 'FREQ=WEEKLY;COUNT=3', 'join_mode' => 'online']);
    $this->postJson("/api/meetings/$meeting->id/kit")->assertCreated();
    $this->postJson("/api/meetings/$meeting->id/send", ['version' => $meeting->refresh()->version])->assertOk();
    delivered($meeting);
    $call = fn() => $this->postJson("/api/meetings/$meeting->id/call-in", ['people' => [$this->lena->id]]);
    $call()->assertStatus(409)->assertJson(['code' => 'none_goes_on']);

    $this->travelTo($meeting->refresh()->occurrences()->orderBy('starts_at')->firstOrFail()->starts_at->addMinutes(5));
    $now = $call()->assertOk()->json();
    expect($now['own'])->toHaveCount(1)->and(array_column(array_column($now['own'][0]['people'], 'person'), 'id'))->toContain($this->lena->id)
        ->and(array_column(array_column($now['attendees'], 'person'), 'id'))->not->toContain($this->lena->id)
        ->and(Dispatch::query()->where('state', 'waiting')->pluck('recipient')->all())->toBe([$this->lena->email])
        ->and(icsTo($this->lena->email))->not->toContain('RRULE');
    // Once more is no news.
    delivered($meeting);
    $call()->assertOk();
    expect(Dispatch::query()->where('recipient', $this->lena->email)->count())->toBe(1);
});
