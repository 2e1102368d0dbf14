<?php

declare(strict_types=1);

use App\Invitations\CallOffMeeting;
use App\Invitations\DeliverDue;
use App\Invitations\DeliveryFailed;
use App\Invitations\Dispatch;
use App\Invitations\DispatchState;
use App\Invitations\PostRoom;
use App\People\Role;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Str;

use function Tests\Feature\account;
use function Tests\Feature\colleague;
use function Tests\Feature\guest;
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
    expect($dispatch->state)->toBe(DispatchState::Waiting)->and($dispatch->tries)->toBe(1)->and($dispatch->next_try_at->isFuture())->toBeTrue();

    $this->travel(31)->seconds();
    ($this->work)();
    $mails = ($this->arrived)();
    expect(Dispatch::query()->firstOrFail()->state)->toBe(DispatchState::Sent)->and($mails)->toHaveCount($copies)->and(array_unique(array_column($mails, 'messageId')))->toHaveCount(1);
})->with(['before the mail was taken' => ['before_data', 1], 'after it was kept, before 250' => ['after_data', 2]]);

it('waits longer each time, and gives up aloud', function (): void {
    $this->freezeSecond();
    $this->app->instance(PostRoom::class, new class () implements PostRoom {
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

it('sends again what a dead worker had taken', function (): void {
    sent($this->meeting);
    Dispatch::query()->update(['state' => 'sending', 'claimed_by' => 'gone', 'claimed_at' => now(), 'tries' => 1]);
    expect(($this->work)())->toBe(0);

    $this->travel(121)->seconds();
    expect(($this->work)())->toBe(1)->and(Dispatch::query()->firstOrFail()->state)->toBe(DispatchState::Sent);
});

it('never lets a later message overtake an earlier one', function (): void {
    $meeting = sent($this->meeting);
    Dispatch::query()->update(['state' => 'sending', 'claimed_by' => 'busy', 'claimed_at' => now(), 'tries' => 1]);
    app(CallOffMeeting::class)($meeting);
    expect(Dispatch::query()->count())->toBe(2)->and(($this->work)())->toBe(0);

    Dispatch::query()->where('state', 'sending')->update(['state' => 'sent']);
    expect(($this->work)())->toBe(1);
});

it('lets two workers share the work: none is taken twice, none waits for the other', function (): void {
    // Other connections see committed rows only, so this test writes for real and cleans up after itself.
    while (DB::transactionLevel() > 0) {
        DB::rollBack();
    }
    try {
        for ($i = 0; $i < 30; $i++) {
            Dispatch::query()->create(['kind' => 'account_link', 'recipient' => "r$i@orchard.example", 'subject' => 's', 'message_id' => "share-$i", 'envelope_token' => "share-$i", 'mail' => 'm', 'state' => 'waiting', 'hold_until' => now(), 'next_try_at' => now()]);
        }
        config(['database.connections.other' => config('database.connections.mariadb')]);
        $claim = fn(string $connection): array => DB::connection($connection)->table('dispatches')->where('state', 'waiting')->orderBy('next_try_at')->orderBy('id')->limit(20)->lock('for update skip locked')->pluck('id')->all();
        DB::connection('other')->beginTransaction();
        $theirs = $claim('other');
        DB::beginTransaction();
        $began = microtime(true);
        $ours = $claim('mariadb');
        $waited = microtime(true) - $began;

        expect($theirs)->toHaveCount(20)->and($ours)->toHaveCount(10)->and(array_intersect($ours, $theirs))->toBe([])->and($waited)->toBeLessThan(5.0);
    } finally {
        DB::connection('other')->rollBack();
        DB::disconnect('other');
        while (DB::transactionLevel() > 0) {
            DB::rollBack();
        }
        DB::table('dispatches')->delete();
    }
});
