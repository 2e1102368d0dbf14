<?php

declare(strict_types=1);

use App\Answers\Reply;
use App\Answers\ReplyKind;
use App\Answers\ReplyState;
use App\Answers\TakeAnswer;
use App\Answers\Via;
use App\Invitations\Dispatch;
use App\People\Role;
use App\Planning\Answer;
use App\Planning\Meeting;
use Syndex\Core\Time\WallTime;

use function Tests\Feature\account;
use function Tests\Feature\colleague;
use function Tests\Feature\delivered;
use function Tests\Feature\guest;
use function Tests\Feature\meeting;
use function Tests\Feature\repeats;
use function Tests\Feature\sent;
use function Tests\Feature\sheet;

beforeEach(function (): void {
    $this->travelTo('2026-12-02T08:00:00Z');
    $this->coordinator = account(Role::Coordinator, colleague('Wanjiru Achola'));
    $this->actingAs($this->coordinator);
    $this->rosa = guest('rosa@anden.example');
    $this->ines = colleague('Inês Varela', 'Europe/Lisbon');
    $this->meeting = meeting($this->coordinator, [$this->coordinator->person, $this->ines, $this->rosa], ['starts_local' => '2026-12-08 15:30:00']);
    sent($this->meeting);
    delivered($this->meeting);
    app(App\Planning\LayDown::class)->anew($this->meeting->refresh());
    $this->answers = fn(): array => $this->getJson("/api/meetings/{$this->meeting->id}/answers")->assertOk()->json();
    $this->phone = fn(string $personId, array $answer) => $this->postJson("/api/meetings/{$this->meeting->id}/answers/$personId", ['date' => null, 'partstat' => 'accepted', 'comment' => null, ...$answer]);
});

it('says how answers stand, by date and in sum', function (): void {
    ($this->phone)($this->ines->id, [])->assertOk();
    ($this->phone)($this->ines->id, ['date' => '2026-12-15T15:30:00', 'partstat' => 'declined', 'comment' => 'On leave'])->assertOk();
    $now = ($this->answers)();

    expect($now['answered'])->toBe(1)->and(array_column($now['people'], 'partstat'))->toBe(['needs-action', 'accepted', 'needs-action'])->and($now['people'][1]['via'])->toBe('phone')->and($now['people'][1]['comments'])->toBe([['date' => '2026-12-15T15:30:00', 'comment' => 'On leave']])
        ->and(array_column($now['dates'], 'coming'))->toBe([1, 0, 1, 1])->and($now['dates'][1]['lost'])->toBe([$this->ines->id])->and($now['dates'][1]['said'][$this->ines->id])->toBe('declined')
        ->and(array_column($now['replies'], 'comment'))->toBe(['On leave', null])->and(Reply::query()->pluck('account_id')->unique()->all())->toBe([$this->coordinator->id]);
});

it('takes no answer of somebody who is not asked, to a date that is not there, or when it is over', function (): void {
    ($this->phone)(guest('karl@far.example')->id, [])->assertStatus(409)->assertJson(['code' => 'not_asked']);
    ($this->phone)($this->ines->id, ['date' => '2026-12-16T15:30:00'])->assertStatus(409)->assertJson(['code' => 'no_such_date']);
    $this->travelTo('2027-03-01T08:00:00Z');
    ($this->phone)($this->ines->id, [])->assertStatus(409)->assertJson(['code' => 'over']);
    expect(Answer::query()->count())->toBe(0);
});

it('asks anew for what changed, of that date alone where it is one', function (): void {
    ($this->phone)($this->ines->id, [])->assertOk();
    ($this->phone)($this->ines->id, ['date' => '2026-12-15T15:30:00', 'partstat' => 'tentative'])->assertOk();
    $change = function (array $changes): void {
        $sheet = Meeting::query()->findOrFail($this->postJson("/api/meetings/{$this->meeting->id}/change")->assertCreated()->json('id'));
        $version = $this->putJson("/api/meetings/$sheet->id", sheet($sheet, ['rule' => repeats(), ...$changes]))->assertOk()->json('version');
        $this->postJson("/api/meetings/$sheet->id/send", ['version' => $version])->assertOk();
        delivered($this->meeting->refresh());
    };
    $said = fn(): array => array_map(fn(array $d): string => $d['said'][$this->ines->id], ($this->answers)()['dates']);
    $change(['dropped' => ['2026-12-22T15:30:00'], 'extra' => ['2026-12-23T15:30:00'], 'moved' => [['date' => '2026-12-22T15:30:00', 'to' => '2026-12-23T15:30:00']]]);
    expect($said())->toBe(['accepted', 'tentative', 'needs-action', 'accepted']);
    $change(['place' => 'Hall 2', 'dropped' => ['2026-12-22T15:30:00'], 'extra' => ['2026-12-23T15:30:00'], 'moved' => [['date' => '2026-12-22T15:30:00', 'to' => '2026-12-23T15:30:00']]]);
    expect(array_unique($said()))->toBe(['needs-action']);
});

it('lets the coordinator decide what waits, once', function (): void {
    $reply = fn(array $values): Reply => Reply::query()->create(['meeting_id' => $this->meeting->id, 'person_id' => $this->rosa->id, 'kind' => ReplyKind::Answer, 'via' => 'mail', 'state' => ReplyState::Aside, 'why' => 'not_sure', 'mail' => 'From: x', 'created_at' => now(), ...$values]);
    $decide = fn(Reply $r, string $how) => $this->postJson("/api/meetings/{$this->meeting->id}/replies/$r->id/$how");
    $sure = $reply(['partstat' => 'accepted']);
    $decide($sure, 'take')->assertOk();
    $decide($sure, 'take')->assertStatus(409)->assertJson(['code' => 'decided_already']);
    $decide($reply(['kind' => ReplyKind::Other]), 'take')->assertStatus(409);
    $decide($reply(['partstat' => 'declined']), 'dismiss')->assertOk();

    expect(($this->answers)()['people'][2]['partstat'])->toBe('accepted')->and(Reply::query()->where('state', 'agreed')->sole()->mail)->toBeNull();
    // What waits stands on Today, of one's own meetings.
    $reply(['partstat' => 'tentative']);
    expect(array_values(array_filter($this->getJson('/api/today')->json('needs'), static fn(array $n): bool => $n['code'] === 'replies')))->toBe([['code' => 'replies', 'meetingId' => $this->meeting->id, 'title' => 'Grower exchange', 'count' => 2]]);
    // Of another meeting it is nobody's business.
    $other = meeting($this->coordinator, [$this->coordinator->person]);
    $this->postJson("/api/meetings/$other->id/replies/$sure->id/take")->assertNotFound();
});

it('invites the delegate once the coordinator agrees', function (): void {
    $reply = Reply::query()->create(['meeting_id' => $this->meeting->id, 'person_id' => $this->rosa->id, 'kind' => ReplyKind::HandedOn, 'via' => 'mail', 'state' => ReplyState::Waiting, 'partstat' => 'delegated', 'delegate' => 'zoe@anden.example', 'created_at' => now()]);
    $this->postJson("/api/meetings/{$this->meeting->id}/replies/$reply->id/take")->assertOk();

    expect($this->meeting->attendees()->with('person')->get()->map(fn($a): array => [$a->person->email, $a->role->value, $a->partstat])->all())->toBe([[$this->coordinator->email, 'required', 'needs-action'], [$this->ines->email, 'required', 'needs-action'], ['rosa@anden.example', 'required', 'delegated'], ['zoe@anden.example', 'required', 'needs-action']])
        ->and(Dispatch::query()->where('state', 'waiting')->pluck('recipient')->all())->toBe(['zoe@anden.example']);
});

it('hands on nothing but the date that was handed on', function (): void {
    $reply = Reply::query()->create(['meeting_id' => $this->meeting->id, 'person_id' => $this->rosa->id, 'kind' => ReplyKind::HandedOn, 'via' => 'mail', 'state' => ReplyState::Waiting, 'date_local' => '2026-12-15 15:30:00', 'partstat' => 'delegated', 'delegate' => 'zoe@anden.example', 'created_at' => now()]);
    $this->postJson("/api/meetings/{$this->meeting->id}/replies/$reply->id/take")->assertStatus(409);

    expect($this->meeting->attendees()->count())->toBe(3)->and($this->meeting->attendees()->where('person_id', $this->rosa->id)->value('partstat'))->toBe('needs-action')->and(Dispatch::query()->where('recipient', 'zoe@anden.example')->exists())->toBeFalse();
});

it('leaves people free on dates that they declined, and perhaps free on those of which they are not sure', function (): void {
    app(TakeAnswer::class)($this->meeting, $this->ines, null, 'accepted', null, Via::Page);
    app(TakeAnswer::class)($this->meeting, $this->ines, WallTime::parse('2026-12-15T15:30:00'), 'declined', null, Via::Page);
    app(TakeAnswer::class)($this->meeting, $this->ines, WallTime::parse('2026-12-22T15:30:00'), 'tentative', null, Via::Page);
    app(TakeAnswer::class)($this->meeting, $this->rosa, null, 'declined', null, Via::Page);
    app(TakeAnswer::class)($this->meeting, $this->rosa, WallTime::parse('2026-12-29T15:30:00'), 'accepted', null, Via::Page);
    $windows = Syndex\Core\Time\IntervalSet::of([Syndex\Core\Time\Interval::between(1796000000, 1800000000)]);
    $busy = app(App\Overlap\Occupancy::class)->of([$this->ines->id, $this->rosa->id], $windows, null);
    $days = fn(string $id): array => array_map(static fn($b): string => gmdate('d', $b->interval->start) . ' ' . $b->kind->value, $busy[$id] ?? []);

    expect($days($this->ines->id))->toBe(['08 busy', '22 tentative', '29 busy'])->and($days($this->rosa->id))->toBe(['29 busy']);
});
