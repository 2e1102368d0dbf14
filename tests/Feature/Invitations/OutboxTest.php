<?php

declare(strict_types=1);

use App\Invitations\CallOffMeeting;
use App\Invitations\DeliverDue;
use App\Invitations\DeliveryFailed;
use App\Invitations\Dispatch;
use App\Invitations\DispatchState;
use App\Invitations\PostRoom;
use App\Invitations\RelayAway;
use App\Invitations\WatchWorkers;
use App\People\Role;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Str;

use function Tests\Feature\account;
use function Tests\Feature\colleague;
use function Tests\Feature\guest;
use function Tests\Feature\icsTo;
use function Tests\Feature\mailTo;
use function Tests\Feature\meeting;
use function Tests\Feature\sent;

beforeEach(function (): void {
    Queue::fake();
    $this->address = Str::lower(Str::random(10)) . '@orchard.example';
    $this->coordinator = account(Role::Coordinator, colleague('Wanjiru Achola'));
    $this->meeting = meeting($this->coordinator, [guest($this->address)]);
    $this->faults = fn(array $faults) => Http::put(config('syndex.post_room.page') . '/api/faults', $faults)->throw();
    $this->arrived = fn(): array => Http::get(config('syndex.post_room.page') . '/api/mails', ['to' => $this->address])->json();
    $this->work = fn(): int => app(DeliverDue::class)('worker ' . Str::random(4));
});

afterEach(fn() => ($this->faults)([]));

it('sends what is due over SMTP and writes down the answer', function (): void {
    sent($this->meeting);
    ($this->work)();
    $dispatch = Dispatch::query()->firstOrFail();
    $mail = ($this->arrived)()[0];

    expect($dispatch->state)->toBe(DispatchState::Sent)->and($dispatch->outcome)->toStartWith('250')->and($dispatch->sent_at)->not->toBeNull()
        ->and($mail['messageId'])->toBe("<$dispatch->message_id>")
        ->and($mail['from'])->toBe("b-$dispatch->envelope_token@" . config('syndex.mail_domain'))
        ->and($mail['to'])->toBe([$this->address]);
});

it('holds back what may still be taken back', function (): void {
    config(['syndex.outbox.hold_seconds' => 30]);
    sent($this->meeting);
    ($this->work)();
    expect(($this->arrived)())->toBe([]);

    $this->travel(31)->seconds();
    ($this->work)();
    expect(($this->arrived)())->toHaveCount(1);
});

it('takes a refusal as final', function (): void {
    ($this->faults)(['refuse' => [$this->address]]);
    sent($this->meeting);
    ($this->work)();
    $dispatch = Dispatch::query()->firstOrFail();

    expect($dispatch->state)->toBe(DispatchState::Refused)->and($dispatch->outcome)->toStartWith('550')->toContain('no such address');
});

it('tries again after a broken line, under the same Message-ID, so that a repeat can be told', function (string $when, int $copies): void {
    ($this->faults)(['drop' => $when, 'dropTimes' => 1]);
    sent($this->meeting);
    ($this->work)();
    $dispatch = Dispatch::query()->firstOrFail();
    expect($dispatch->state)->toBe(DispatchState::Waiting)->and($dispatch->tries)->toBe(0)->and($dispatch->attempted_at)->not->toBeNull()->and($dispatch->next_try_at->isFuture())->toBeTrue();

    $this->travel(31)->seconds();
    ($this->work)();
    $mails = ($this->arrived)();
    expect(Dispatch::query()->firstOrFail()->state)->toBe(DispatchState::Sent)->and($mails)->toHaveCount($copies)->and(array_unique(array_column($mails, 'messageId')))->toHaveCount(1);
})->with(['before the mail was taken' => ['before_data', 1], 'after it was kept, before 250' => ['after_data', 2]]);

it('waits longer each time, and gives up aloud', function (): void {
    $this->freezeSecond();
    $this->app->instance(PostRoom::class, new class () implements PostRoom {
        public function open(): void {}

        public function deliver(string $mail, string $envelopeSender, string $recipient): string
        {
            throw DeliveryFailed::forNow('no route');
        }
    });
    sent($this->meeting);
    $pauses = [];
    for ($i = 0; $i < 7; $i++) {
        ($this->work)();
        $dispatch = Dispatch::query()->firstOrFail();
        $pauses[] = $dispatch->state === DispatchState::Waiting ? (int) round(now()->diffInSeconds($dispatch->next_try_at)) : $dispatch->state;
        $this->travelTo($dispatch->next_try_at->addSecond());
    }

    expect($pauses)->toBe([...config('syndex.outbox.pauses_seconds'), DispatchState::GivenUp]);
});

it('sends again what a dead worker had taken, and no sooner than it is sure of its death', function (): void {
    sent($this->meeting);
    DB::table('outbox_workers')->insert(['id' => 'other']);
    Dispatch::query()->update(['state' => 'sending', 'claimed_by' => 'other', 'claimed_at' => now()]);
    $steady = 0.0;
    $this->app->instance(WatchWorkers::class, $watch = new WatchWorkers(function () use (&$steady): float {
        return $steady;
    }));
    $taken = [];
    for ($second = 0; $second <= 24; $second++) {
        $steady = (float) $second;
        // The wall clock jumps about; nobody looks at it.
        $this->travel([3600, -7200, 5][$second % 3])->seconds();
        if ($second < 8) {
            DB::table('outbox_workers')->increment('beat');
        }
        $watch->freeAbandoned('me');
        if (Dispatch::query()->where('state', 'waiting')->exists()) {
            break;
        }
    }
    expect($second)->toBeGreaterThanOrEqual(16)->toBeLessThanOrEqual(18);
    $this->travelTo(now()->addYear());
    expect(($this->work)())->toBe(1)->and(Dispatch::query()->firstOrFail()->state)->toBe(DispatchState::Sent)->and(Dispatch::query()->firstOrFail()->tries)->toBe(0);
});

it('takes up again what it had in hand itself when the database went away', function (): void {
    sent($this->meeting);
    DB::table('outbox_workers')->insert(['id' => 'me']);
    Dispatch::query()->update(['state' => 'sending', 'claimed_by' => 'me', 'claimed_at' => now(), 'attempted_at' => now()]);

    expect(app(DeliverDue::class)('me'))->toBe(1)->and(Dispatch::query()->firstOrFail()->state)->toBe(DispatchState::Sent);
});

it('takes nobody for dead while the database could not be asked', function (): void {
    DB::table('outbox_workers')->insert(['id' => 'other']);
    $steady = 0.0;
    $watch = new WatchWorkers(function () use (&$steady): float {
        return $steady;
    });
    foreach ([0.0, 1.0, 60.0, 61.0] as $steady) {
        $watch->freeAbandoned('me');
    }
    expect(DB::table('outbox_workers')->where('id', 'other')->exists())->toBeTrue();
});

it('never lets a later message overtake an earlier one', function (): void {
    $meeting = sent($this->meeting);
    DB::table('outbox_workers')->insert(['id' => 'busy']);
    Dispatch::query()->update(['state' => 'sending', 'claimed_by' => 'busy', 'claimed_at' => now(), 'attempted_at' => now()]);
    app(CallOffMeeting::class)($meeting);
    expect(Dispatch::query()->count())->toBe(2)->and(($this->work)())->toBe(0);

    Dispatch::query()->where('state', 'sending')->update(['state' => 'sent']);
    expect(($this->work)())->toBe(1);
});

/** Runs a test that other connections take part in: what it writes is seen by all, and taken away at its end. */
function committed(Closure $test): void
{
    while (DB::transactionLevel() > 0) {
        DB::rollBack();
    }
    config(['database.connections.other' => config('database.connections.mariadb')]);
    try {
        $test();
    } finally {
        while (DB::connection('other')->transactionLevel() > 0) {
            DB::connection('other')->rollBack();
        }
        DB::disconnect('other');
        while (DB::transactionLevel() > 0) {
            DB::rollBack();
        }
        foreach (['dispatches', 'meeting_snapshots', 'outbox_workers', 'outbox_holds'] as $table) {
            DB::table($table)->delete();
        }
    }
}

it('lets two workers share the work: none is taken twice, none waits for the other', function (): void {
    committed(function (): void {
        for ($i = 0; $i < 30; $i++) {
            Dispatch::query()->create(['kind' => 'account_link', 'recipient' => "r$i@orchard.example", 'subject' => 's', 'message_id' => "share-$i", 'envelope_token' => "share-$i", 'mail' => 'm', 'state' => 'waiting', 'hold_until' => now(), 'next_try_at' => now()]);
        }
        // Another worker has looked at twenty of them and is about to write its claim.
        DB::connection('other')->beginTransaction();
        $theirs = DB::connection('other')->table('dispatches')->where('state', 'waiting')->orderBy('next_try_at')->orderBy('id')->limit(20)->lockForUpdate()->pluck('id')->all();
        DB::statement('set session innodb_lock_wait_timeout = 1');
        $ours = app(DeliverDue::class)->claim('me');

        expect($theirs)->toHaveCount(20)->and($ours)->toHaveCount(10)->and(array_intersect($ours, $theirs))->toBe([]);
    });
});

describe('a relay that is away or will not have us', function (): void {
    it('holds the outbox, counts against no mail and is said on Today', function (string $shut, string $said): void {
        Dispatch::query()->delete();
        sent($this->meeting);
        ($this->faults)(['shut' => $shut]);
        $this->app->forgetInstance(PostRoom::class);
        expect(($this->work)())->toBe(0)->and(($this->work)())->toBe(0);
        $dispatch = Dispatch::query()->firstOrFail();
        expect($dispatch->state)->toBe(DispatchState::Waiting)->and($dispatch->tries)->toBe(0)->and($dispatch->attempted_at)->toBeNull();
        $this->actingAs($this->coordinator);
        $needs = collect($this->getJson('/api/today')->json('needs'));
        expect($needs->firstWhere('code', 'outbox_held'))->toMatchArray(['waiting' => 1])->and($needs->firstWhere('code', 'outbox_held')['why'])->toContain($said);

        ($this->faults)([]);
        $this->travel(31)->seconds();
        ($this->work)();
        expect(Dispatch::query()->firstOrFail()->state)->toBe(DispatchState::Sent)->and(collect($this->getJson('/api/today')->json('needs'))->firstWhere('code', 'outbox_held'))->toBeNull();
    })->with(['no greeting' => ['greeting', '554'], 'wants to know who we are' => ['sender', 'authentication required']]);

    it('is looked for by one worker at a time, at growing pauses, however often they ask', function (): void {
        $room = new class () implements PostRoom {
            public int $looks = 0;

            public function open(): void
            {
                $this->looks++;

                throw RelayAway::because('no connection');
            }

            public function deliver(string $mail, string $envelopeSender, string $recipient): string
            {
                return '250';
            }
        };
        $this->app->instance(PostRoom::class, $room);
        sent($this->meeting);
        for ($second = 0; $second < 120; $second++) {
            $this->travel(1)->seconds();
            ($this->work)();
            ($this->work)();
        }
        expect($room->looks)->toBeGreaterThan(5)->toBeLessThan(12);
    });

    it('can still be taken back and called off without a word, since nothing has left', function (): void {
        ($this->faults)(['shut' => 'sender']);
        $meeting = sent($this->meeting);
        ($this->work)();
        app(CallOffMeeting::class)($meeting->refresh());
        expect(Dispatch::query()->get()->map(fn($d) => $d->state)->all())->toBe([DispatchState::Replaced]);
    });
});

it('lets one bad mail concern itself alone: the others go through', function (Closure $spoil): void {
    $bad = guest('j-' . Str::lower(Str::random(8)) . '@orchard.example');
    $meeting = meeting($this->coordinator, [guest($this->address), $bad]);
    $spoil($bad);
    sent($meeting->refresh());
    ($this->work)();
    ($this->work)();
    expect(Dispatch::query()->where('recipient', $this->address)->firstOrFail()->state)->toBe(DispatchState::Sent)
        ->and(Dispatch::query()->where('person_id', $bad->id)->firstOrFail()->state)->toBe(DispatchState::Refused)
        ->and(Dispatch::query()->where('person_id', $bad->id)->firstOrFail()->outcome)->not->toBeEmpty();
    $this->actingAs($this->coordinator);
    expect(collect($this->getJson('/api/today')->json('needs'))->where('code', 'refused')->pluck('recipient')->all())->toBe([Dispatch::query()->where('person_id', $bad->id)->value('recipient')]);
})->with([
    'letters that SMTP does not know' => [fn($person) => DB::table('people')->where('id', $person->id)->update(['email' => 'jörg@orchard.example'])],
    'a zero-width sign' => [fn($person) => DB::table('people')->where('id', $person->id)->update(['email' => "jo\u{200B}rg@orchard.example"])],
    'a soft hyphen' => [fn($person) => DB::table('people')->where('id', $person->id)->update(['email' => "jo\u{AD}rg@orch\u{AD}ard.example"])],
    'an overlong domain' => [fn($person) => DB::table('people')->where('id', $person->id)->update(['email' => 'j@' . str_repeat('a', 70) . '.example'])],
    'a line break' => [fn($person) => DB::table('people')->where('id', $person->id)->update(['email' => "j@orchard.example\r\nRCPT TO:<x@y.example>"])],
]);

describe('sending again', function (): void {
    it('sends once more what was refused, after correction to the new address', function (): void {
        ($this->faults)(['refuse' => [$this->address]]);
        $meeting = sent($this->meeting);
        ($this->work)();
        $dispatch = Dispatch::query()->firstOrFail();
        expect($dispatch->state)->toBe(DispatchState::Refused);
        $this->actingAs($this->coordinator);
        $corrected = 'right-' . $this->address;
        $this->patchJson("/api/people/{$dispatch->person_id}", ['email' => $corrected])->assertOk();
        $this->postJson("/api/dispatches/$dispatch->id/again")->assertNoContent();
        ($this->work)();

        expect($dispatch->refresh()->state)->toBe(DispatchState::Replaced)->and(Dispatch::query()->where('recipient', $corrected)->firstOrFail()->state)->toBe(DispatchState::Sent)
            ->and(icsTo($corrected))->toContain("mailto:$corrected")->not->toContain("mailto:$this->address\r\n");
    });

    it('sends all that was given up, under their Message-IDs, and nothing twice', function (): void {
        sent(meeting($this->coordinator, [guest($this->address), guest("b$this->address")]));
        Dispatch::query()->update(['state' => 'given_up', 'tries' => 7, 'attempted_at' => now()]);
        $this->actingAs($this->coordinator);
        $this->postJson('/api/dispatches/again')->assertOk()->assertJson(['count' => 2]);
        $this->postJson('/api/dispatches/again')->assertOk()->assertJson(['count' => 0]);
        $this->postJson('/api/dispatches/' . Dispatch::query()->firstOrFail()->id . '/again')->assertStatus(409)->assertJson(['code' => 'not_again']);
        ($this->work)();

        expect(Dispatch::query()->get()->map(fn($d) => $d->state)->unique()->all())->toBe([DispatchState::Sent])->and(($this->arrived)())->toHaveCount(1);
    });

    it('does not invite to what was called off meanwhile', function (): void {
        $meeting = sent($this->meeting);
        Dispatch::query()->update(['state' => 'given_up', 'attempted_at' => now()]);
        app(CallOffMeeting::class)($meeting);
        $this->actingAs($this->coordinator)->postJson('/api/dispatches/' . Dispatch::query()->firstOrFail()->id . '/again')->assertStatus(409);
    });
});

describe('an address that changes after the invitation', function (): void {
    it('is called off where it was invited', function (): void {
        $meeting = sent($this->meeting);
        ($this->work)();
        $this->actingAs($this->coordinator)->patchJson('/api/people/' . Dispatch::query()->firstOrFail()->person_id, ['email' => "new-$this->address"])->assertOk();
        app(CallOffMeeting::class)($meeting->refresh());

        // Whatever waited for either address gives way to the one message.
        expect(Dispatch::query()->where('kind', 'calling_off')->whereNot('state', 'replaced')->pluck('recipient')->all())->toBe([$this->address])
            ->and(Dispatch::query()->where('state', 'waiting')->count())->toBe(1);
        ($this->work)();
        expect(($this->arrived)())->toHaveCount(2)
            ->and(icsTo($this->address))->toContain("mailto:$this->address");
    });

    it('takes an invitation along that is still held back', function (): void {
        config(['syndex.outbox.hold_seconds' => 30]);
        sent($this->meeting);
        $this->actingAs($this->coordinator)->patchJson('/api/people/' . Dispatch::query()->firstOrFail()->person_id, ['email' => "new-$this->address"])->assertOk();
        $this->travel(31)->seconds();
        ($this->work)();

        expect(Dispatch::query()->orderBy('id')->get()->map(fn($d) => [$d->recipient, $d->state])->all())->toBe([[$this->address, DispatchState::Replaced], ["new-$this->address", DispatchState::Sent]])
            ->and(($this->arrived)())->toBe([]);
    });
});

it('keeps what was told as it was told, whatever becomes of the meeting before the mail is made', function (): void {
    sent($this->meeting);
    DB::table('meetings')->update(['title' => 'Something else', 'starts_local' => '2031-01-01 10:00:00']);
    DB::table('people')->update(['name' => 'Nobody']);
    expect(mailTo($this->address)->getHeaderValue('Subject'))->toStartWith('Grower exchange')->not->toContain('2031')
        ->and((string) mailTo($this->address)->getTextContent())->not->toContain('Nobody');
});

it('tells five hundred people within a request, and leaves the mails to the worker', function (): void {
    $people = [];
    for ($i = 0; $i < 500; $i++) {
        $people[] = ['id' => Str::lower((string) Str::ulid()), 'kind' => 'guest', 'email' => "g$i@orchard.example", 'email_key' => "g$i@orchard.example", 'email_domain' => 'orchard.example'];
    }
    DB::table('people')->insert($people);
    DB::table('attendees')->insert(array_map(fn(array $p, int $at): array => ['meeting_id' => $this->meeting->id, 'person_id' => $p['id'], 'position' => $at + 1, 'role' => 'required'], $people, array_keys($people)));
    DB::enableQueryLog();
    sent($this->meeting->refresh());

    expect(Dispatch::query()->whereNull('mail')->count())->toBe(501)->and(DB::table('meeting_snapshots')->count())->toBe(1)->and(count(DB::getQueryLog()))->toBeLessThan(40);
});
