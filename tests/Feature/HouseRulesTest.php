<?php

declare(strict_types=1);

use App\Invitations\ForgetMessages;
use App\Joining\Bridge;
use App\Live\Live;
use App\People\Role;
use App\Planning\Meeting;
use Illuminate\Http\Client\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Facades\Queue;

use function Tests\Feature\account;

use function Tests\Feature\colleague;
use function Tests\Feature\delivered;
use function Tests\Feature\guest;
use function Tests\Feature\kit;
use function Tests\Feature\mailTo;
use function Tests\Feature\meeting;
use function Tests\Feature\sent;

describe('house rules', function (): void {
    it('hold for the mails that are written from then on', function (): void {
        $this->actingAs(account(Role::Administrator))->putJson('/api/house-rules', ['organisation' => 'Sakura Seed Union', 'organizer' => 'meeting'])->assertOk()->assertJson(['organisation' => 'Sakura Seed Union']);
        $coordinator = account(Role::Coordinator, colleague('Wanjiru Achola'));
        sent(meeting($coordinator, [guest('rosa@anden.example')]));

        expect(mailTo('rosa@anden.example')->getTextContent())->toContain('Sakura Seed Union, planned with Syndex.');
    });

    it('say how a meeting begins that is planned anew, and change none that is there', function (array $rules, array $begun): void {
        $coordinator = account(Role::Coordinator, colleague('Wanjiru Achola'));
        $there = meeting($coordinator, [guest('rosa@anden.example')]);
        $before = $there->refresh()->only(['reminder_minutes', 'hides_people']);
        $this->actingAs(account(Role::Administrator))->putJson('/api/house-rules', $rules)->assertOk();
        $new = $this->actingAs($coordinator)->postJson('/api/meetings', [])->assertCreated()->json();

        expect(['reminder' => $new['choices']['reminderMinutes'], 'hides' => $new['hidesPeople']])->toBe($begun)->and($there->refresh()->only(['reminder_minutes', 'hides_people']))->toBe($before);
    })->with([
        'as it is' => [['pauseMinutes' => 5], ['reminder' => 15, 'hides' => null]],
        'later' => [['reminderMinutes' => 60, 'hidesPeople' => 'always'], ['reminder' => 60, 'hides' => true]],
        'none' => [['reminderMinutes' => null, 'hidesPeople' => 'never'], ['reminder' => null, 'hides' => false]],
    ]);

    it('say how long what was sent is kept after its meeting', function (?int $months, array $kept): void {
        $this->travelTo('2026-12-02T09:00:00Z');
        $coordinator = account(Role::Coordinator, colleague('Wanjiru Achola'));
        $plan = fn(string $title, string $start): Meeting => meeting($coordinator, [guest("$title@anden.example")], ['title' => $title, 'starts_local' => $start, 'rrule' => null]);
        foreach (['long-ago' => '2027-01-12 09:00:00', 'lately' => '2027-11-20 09:00:00', 'waits' => '2027-01-12 09:00:00'] as $title => $start) {
            $meeting = sent($plan($title, $start));
            $title === 'waits' || delivered($meeting);
        }
        $this->travelTo('2027-12-02T09:00:00Z');
        $this->actingAs(account(Role::Administrator))->putJson('/api/house-rules', ['keepMessagesMonths' => $months])->assertOk();
        app()->call([new ForgetMessages(), 'handle']);

        expect(DB::table('dispatches')->join('meetings', 'meetings.id', '=', 'dispatches.meeting_id')->orderBy('title')->distinct()->pluck('title')->all())->toBe($kept)
            ->and(DB::table('meeting_snapshots')->join('meetings', 'meetings.id', '=', 'meeting_snapshots.meeting_id')->orderBy('title')->distinct()->pluck('title')->all())->toBe($kept);
    })->with([[null, ['lately', 'long-ago', 'waits']], [6, ['lately', 'waits']], [24, ['lately', 'long-ago', 'waits']]]);

    it('say how long what was sent can be taken back', function (int $seconds): void {
        $this->travelTo('2026-12-02T09:00:00Z');
        $coordinator = account(Role::Coordinator, colleague('Wanjiru Achola'));
        $this->actingAs(account(Role::Administrator))->putJson('/api/house-rules', ['holdSeconds' => $seconds])->assertOk();
        $meeting = meeting($coordinator, [$coordinator->person, guest('rosa@anden.example')]);

        expect($this->actingAs($coordinator)->postJson("/api/meetings/$meeting->id/send", ['version' => $meeting->version])->assertOk()->json('holdSeconds'))->toBe($seconds)
            ->and(DB::table('dispatches')->pluck('hold_until')->unique()->all())->toBe([now()->addSeconds($seconds)->format('Y-m-d H:i:s')]);
    })->with([0, 7, 60]);

    it('say when people work of whom nothing else is known', function (): void {
        $coordinator = account(Role::Coordinator, colleague('Wanjiru Achola', 'Africa/Nairobi'));
        $other = colleague('Inês Varela', 'Europe/Lisbon', ['hours' => ['mon' => [['08:00', '12:00']]]]);
        $this->actingAs(account(Role::Administrator))->putJson('/api/house-rules', ['workingWeek' => ['sun' => [['07:00', '15:00']], 'mon' => [['07:00', '15:00']]]])->assertOk();
        $this->actingAs($coordinator);
        $this->travelTo('2026-12-02T09:00:00Z');

        expect($this->getJson("/api/people/$coordinator->person_id")->json('hours'))->toBe(['mon' => [['07:00', '15:00']], 'sun' => [['07:00', '15:00']]])
            ->and($this->getJson("/api/people/$other->id")->json('hours'))->toBe(['mon' => [['08:00', '12:00']]])
            // A Wednesday: the next day of that week is Sunday.
            ->and($this->postJson('/api/meetings', [])->json('startLocal'))->toBe('2026-12-06T07:00:00');
    });

    it('take no value that means nothing', function (array $given): void {
        $this->actingAs(account(Role::Administrator))->putJson('/api/house-rules', $given)->assertStatus(422);
    })->with([[['noticeHours' => -1]], [['mostADay' => 0]], [['quietHours' => '11:00-09:00']], [['quietHours' => '9-11']], [['organizer' => 'nobody']], [['reminderMinutes' => -1]], [['holdSeconds' => 61]], [['holdSeconds' => null]], [['hidesPeople' => 'sometimes']], [['workingWeek' => []]], [['workingWeek' => ['mon' => [['17:00', '09:00']]]]], [['workingWeek' => ['moon' => [['09:00', '17:00']]]]], [['workingWeek' => ['mon' => 'x']]], [['workingWeek' => ['mon' => [['09:00']]]]], [['organisation' => '']], [['organisation' => str_repeat('x', 200)]]]);
});

describe('what open pages are told', function (): void {
    it('is a topic and an id, after the change has been kept, and to those concerned only', function (): void {
        Queue::fake();
        Http::fake();
        config(['syndex.live.publish_url' => 'http://127.0.0.1:9/publish']);
        $coordinator = account(Role::Coordinator, colleague('Wanjiru Achola'));
        $ines = account(Role::Colleague, colleague('Inês Varela'));
        account(Role::Colleague, colleague('Somebody Else'));
        $meeting = meeting($coordinator, [$ines->person], ['title' => 'Secret title']);
        // The test's own transaction stands around everything: as if it had been committed.
        DB::transaction(fn() => sent($meeting));
        $told = [];
        DB::commit();
        try {
            Http::assertSent(function (Request $request) use (&$told): bool {
                $told[basename($request->url())] = $request->body();

                return true;
            });
        } finally {
            foreach (['dispatches', 'meeting_snapshots', 'occurrences', 'attendees', 'agenda_items', 'meetings', 'accounts', 'people'] as $table) {
                DB::table($table)->delete();
            }
            DB::beginTransaction();
        }

        expect(array_keys($told))->toBe([Live::COORDINATION, 'account-' . strtolower($ines->id)])
            ->and(implode('', $told))->toContain($meeting->id)->not->toContain('Secret title');
    });
});

it('writes no passcode, PIN, token or mail into a log, whatever fails', function (): void {
    $file = sys_get_temp_dir() . '/syndex-log-' . getmypid();
    config(['logging.channels.single.path' => $file, 'logging.channels.single.level' => 'debug', 'logging.default' => 'single', 'app.debug' => true]);
    app('log')->forgetChannel('single');
    $coordinator = account(Role::Coordinator, colleague('Wanjiru Achola'));
    $this->actingAs($coordinator);
    $meeting = meeting($coordinator, [guest('rosa@anden.example')]);
    $kit = kit($meeting);
    // A bridge that breaks in the middle with a passcode in its hands, and a wrong password.
    $this->app->instance(Bridge::class, new class () implements Bridge {
        public function settle(string $ref, App\Joining\RoomWanted $wanted, Syndex\Core\Joining\Passcode $passcode, Syndex\Core\Joining\Pin $pin): App\Joining\BridgeMeeting
        {
            throw new RuntimeException('broken');
        }

        public function close(string $ref): void {}

        public function accounts(): array
        {
            return [];
        }

        public function numbers(): array
        {
            return [];
        }
    });
    $this->postJson("/api/meetings/$meeting->id/kit", ['passcode' => 'Wurzel93kq'])->assertStatus(500);
    $this->postJson('/api/session', ['email' => $coordinator->email, 'password' => 'Wrong-Pa55word'])->assertStatus(422);
    $log = (string) file_get_contents($file);
    unlink($file);

    expect($log)->toContain('broken')
        ->and($log)->not->toContain('Wurzel93kq')->not->toContain($kit->passcode)->not->toContain($kit->pin)->not->toContain('Wrong-Pa55word');
});
