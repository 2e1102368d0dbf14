<?php

declare(strict_types=1);

use App\Guests\GuestLink;
use App\Invitations\Dispatch;
use App\Invitations\DispatchKind;
use App\Invitations\DispatchState;
use App\Invitations\ForgetPerson;
use App\Invitations\MergePeople;
use App\Offers\AskedGuest;
use App\Offers\TimeOffer;
use App\People\Account;
use App\People\Calendar;
use App\People\Person;
use App\People\Role;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;

use function Tests\Feature\account;
use function Tests\Feature\colleague;
use function Tests\Feature\guest;
use function Tests\Feature\icsTo;
use function Tests\Feature\mailTo;
use function Tests\Feature\meeting;
use function Tests\Feature\sent;

beforeEach(function (): void {
    $this->travelTo('2026-11-25T09:00:00Z');
    $this->coordinator = account(Role::Coordinator, colleague('Wanjiru Achola'));
    $this->rosa = guest('rosa@anden.example', 'America/Lima');
    $this->piet = guest('piet@polder.example');
    $this->meeting = meeting($this->coordinator, [$this->coordinator->person, $this->rosa, $this->piet], ['starts_local' => '2026-12-08 15:30:00']);
    $this->actingAs($this->coordinator);
    $this->times = ['2026-12-08T15:30:00', '2026-12-08T18:00:00', '2026-12-09T17:00:00'];
    $this->offer = fn(array $changes = []): TestResponse => $this->postJson("/api/meetings/{$this->meeting->id}/offer", ['times' => $this->times, 'guests' => [$this->rosa->id, $this->piet->id], 'untilOn' => null, 'words' => null, ...$changes]);
    $this->view = fn(): ?array => $this->getJson("/api/meetings/{$this->meeting->id}/offer")->assertOk()->json('offer');
    $this->token = function (string $address): string {
        preg_match('#/g/([A-Za-z0-9]+)#', (string) mailTo($address)->getTextContent(), $m);

        return $m[1] ?? '';
    };
    /** As a guest: no session, no cookie, but the link. */
    $this->asGuest = function (string $method, string $path, string $token, array $body = []): TestResponse {
        auth()->forgetGuards();

        return tap($this->json($method, "/api/guest/offer$path", $body, ['Authorization' => "Bearer $token"]), fn() => $this->actingAs(Account::query()->with('person')->findOrFail($this->coordinator->id)));
    };
    $this->reply = fn(string $token, array $replies, array $more = []): TestResponse => ($this->asGuest)('PUT', '', $token, ['replies' => array_map(fn(int $id, ?string $reply): array => ['time' => $id, 'reply' => $reply], array_keys($replies), $replies), 'zone' => null, 'zoneSaid' => false, 'comment' => null, ...$more]);
    $this->idAt = fn(string $wall): int => collect(($this->view)()['times'] ?? [])->firstWhere('wall', $wall)['id'];
});

it('offers times, takes answers in each one’s own time, and closes with one of them, sent', function (): void {
    ($this->offer)(['words' => 'Mornings would help us.'])->assertCreated()->assertJsonPath('offer.times.0.wall', '2026-12-08T15:30:00')->assertJsonPath('offer.times.0.start', '2026-12-08T12:30:00Z');
    $mail = (string) mailTo('rosa@anden.example')->getTextContent();
    expect($mail)->toContain('Wanjiru Achola plans this meeting and asks which of these times suit you.')->toContain('Mornings would help us.')
        // Lima is at UTC-5 all year (IANA zone data), Nairobi at UTC+3.
        ->toContain('- Tuesday 8 December 2026, 07:30')->toContain('- Wednesday 9 December 2026, 09:00')->toContain('Times are those of Lima.')
        ->toContain('These are times for the first of 4 dates.')
        ->and((string) mailTo('piet@polder.example')->getTextContent())->toContain('- Tuesday 8 December 2026, 15:30')->toContain('Times are those of Nairobi.');

    $rosa = ($this->token)('rosa@anden.example');
    ($this->asGuest)('GET', '', $rosa)->assertOk()->assertJsonPath('isAsked', false)->assertJsonPath('times.0.date', 'Tuesday 8 December 2026')->assertJsonPath('times.0.clock', '07:30')
        ->assertJsonPath('times.0.there', '15:30 on Tuesday in Nairobi.')->assertJsonPath('times.0.light', 'Early for you.')->assertJsonPath('times.1.light', null)->assertJsonPath('times.0.barAt', 450)->assertJsonPath('times.0.reply', null);
    [$first, $second, $third] = array_map($this->idAt, $this->times);
    ($this->reply)($rosa, [$first => 'declined', $second => 'accepted', $third => 'tentative'], ['comment' => 'The earlier the better.'])->assertOk()->assertJsonPath('times.1.reply', 'accepted')->assertJsonPath('answered', 'Your answer has arrived. You can change it on this page.');

    // Piet's zone is not known: that of his device is proposed, what he chooses is remembered.
    $piet = ($this->token)('piet@polder.example');
    ($this->asGuest)('GET', '?device=Europe/Amsterdam', $piet)->assertJsonPath('isAsked', true)->assertJsonPath('zone', 'Europe/Amsterdam')->assertJsonPath('times.0.clock', '13:30')->assertJsonPath('zoneLine', 'Where will you be? Times by the clock in Amsterdam, until you say otherwise.');
    ($this->asGuest)('GET', '?device=Europe/Amsterdam&said=Asia/Tokyo', $piet)->assertJsonPath('isAsked', false)->assertJsonPath('times.0.clock', '21:30');
    ($this->reply)($piet, [$second => 'accepted', $third => 'accepted'], ['zone' => 'Asia/Tokyo', 'zoneSaid' => true])->assertOk()->assertJsonPath('zone', 'Asia/Tokyo');
    expect($this->piet->refresh()->zone)->toBe('Asia/Tokyo');

    $view = ($this->view)();
    expect(array_column($view['times'], 'wall'))->toBe(['2026-12-08T18:00:00', '2026-12-09T17:00:00', '2026-12-08T15:30:00'])
        ->and($view['times'][0]['accepted'])->toHaveCount(2)
        ->and($view['times'][2]['declined'])->toBe([$this->rosa->id])->and($view['times'][2]['awaiting'])->toBe([$this->piet->id])
        ->and(collect($view['guests'])->firstWhere('id', $this->rosa->id)['comment'])->toBe('The earlier the better.');

    $this->postJson("/api/meetings/{$this->meeting->id}/offer/take", ['time' => $second, 'version' => $this->meeting->refresh()->version])->assertOk()->assertJsonPath('status', 'sent')->assertJsonPath('startLocal', '2026-12-08T18:00:00');
    expect(icsTo('rosa@anden.example'))->toContain('DTSTART;TZID=Africa/Nairobi:20261208T180000')->toContain('RRULE:FREQ=WEEKLY;COUNT=4')
        ->and(($this->view)())->toBeNull();
    ($this->asGuest)('GET', '', $rosa)->assertOk()->assertJsonPath('over', 'The time is settled: Tuesday 8 December 2026, 10:00 Lima time. The invitation comes by mail. Nothing more is needed here.')->assertJsonPath('times', []);
    ($this->reply)($rosa, [$first => 'accepted'])->assertConflict()->assertJsonPath('code', 'offer_is_over');
    $this->postJson("/api/meetings/{$this->meeting->id}/offer/take", ['time' => $third, 'version' => $this->meeting->refresh()->version])->assertConflict()->assertJsonPath('code', 'no_offer');
});

it('moves a series that no rule says at the offered time by its dates, with what they have of their own', function (): void {
    $this->meeting->update(['rrule' => 'FREQ=MONTHLY;BYDAY=2TU;COUNT=4']);
    $this->meeting->dates()->create(['date_local' => '2027-01-12 15:30:00', 'title' => 'Year begins', 'own_people' => false]);
    ($this->offer)(['times' => ['2026-12-09T17:00:00']])->assertCreated();
    $this->postJson("/api/meetings/{$this->meeting->id}/offer/take", ['time' => ($this->idAt)('2026-12-09T17:00:00'), 'version' => $this->meeting->refresh()->version])->assertOk();
    $meeting = $this->meeting->refresh();
    expect($meeting->starts_local->format('Y-m-d H:i'))->toBe('2026-12-09 17:00')
        ->and($meeting->dates->map(fn($d) => [$d->date()->format(), $d->title])->all())->toBe([['2027-01-13T17:00:00', 'Year begins']]);
});

it('is refused with the reason, and nothing is kept', function (array $changes, string $field): void {
    ($this->offer)($changes)->assertUnprocessable()->assertJsonValidationErrors([$field]);
    expect(TimeOffer::query()->count())->toBe(0)->and(Dispatch::query()->count())->toBe(0);
})->with([
    'no time' => [['times' => []], 'times'],
    'nine times' => [['times' => array_map(fn(int $d): string => sprintf('2026-12-%02dT10:00:00', $d), range(8, 16))], 'times'],
    'a time twice' => [['times' => ['2026-12-08T15:30:00', '2026-12-08T15:30:00']], 'times.1'],
    'one that is over' => [['times' => ['2026-11-24T15:30:00']], 'times.0'],
    'one that is none' => [['times' => ['next Tuesday']], 'times.0'],
    'nobody' => [['guests' => []], 'guests'],
    'somebody who is not asked' => [['guests' => ['01JZZZZZZZZZZZZZZZZZZZZZZZ']], 'guests'],
    'a day that is over' => [['untilOn' => '2026-11-24'], 'untilOn'],
]);

it('is not made of a colleague, of a meeting that was sent, without a title, or twice', function (): void {
    ($this->offer)(['guests' => [$this->coordinator->person_id]])->assertUnprocessable()->assertJsonValidationErrors(['guests']);
    $this->meeting->update(['title' => '']);
    ($this->offer)()->assertUnprocessable()->assertJsonPath('details.missing', ['title']);
    $this->meeting->update(['title' => 'Grower exchange']);
    ($this->offer)()->assertCreated();
    ($this->offer)()->assertConflict()->assertJsonPath('code', 'offer_is_open');
    sent($this->meeting->refresh());
    ($this->offer)()->assertConflict()->assertJsonPath('code', 'locked');
});

it('keeps no link, answers to none but its own, and changes nothing by being looked at', function (): void {
    ($this->offer)()->assertCreated();
    $token = ($this->token)('rosa@anden.example');
    $before = [DB::table('asked_guests')->get()->all(), DB::table('offer_answers')->get()->all(), DB::table('guest_links')->get()->all(), DB::table('people')->get()->all()];
    $this->get("/g/$token")->assertOk()->assertHeader('Referrer-Policy', 'no-referrer')->assertHeader('X-Robots-Tag', 'noindex, nofollow')->assertCookieMissing('syndex_session');
    $this->get('/g/nothing')->assertOk();
    ($this->asGuest)('GET', '?said=Asia/Tokyo', $token)->assertOk();
    ($this->asGuest)('GET', '?said[]=x&device=Factory', $token)->assertOk()->assertJsonPath('zone', 'America/Lima');
    expect([DB::table('asked_guests')->get()->all(), DB::table('offer_answers')->get()->all(), DB::table('guest_links')->get()->all(), DB::table('people')->get()->all()])->toEqual($before);

    foreach (['', 'x', str_repeat('a', 48), strtolower($token) === $token ? strtoupper($token) : strtolower($token), "$token\n", $token . 'a'] as $wrong) {
        foreach ([['GET', ''], ['PUT', ''], ['POST', '/busy-file'], ['DELETE', '/busy-file']] as [$method, $path]) {
            ($this->asGuest)($method, $path, $wrong)->assertNotFound()->assertJsonPath('code', 'no_such_link');
        }
    }
    $everything = json_encode([DB::table('guest_links')->get(), DB::table('time_offers')->get(), DB::table('asked_guests')->get(), DB::table('dispatches')->get()]);
    expect($everything)->not->toContain($token)
        ->and(GuestLink::query()->where('person_id', $this->rosa->id)->value('token_hash'))->toBe(hash('sha256', $token));
    // Nor in the dispatch book.
    $dispatch = Dispatch::query()->where('recipient', 'rosa@anden.example')->firstOrFail();
    expect((string) $this->getJson("/api/dispatches/$dispatch->id")->assertOk()->assertJsonPath('source', null)->getContent())->not->toContain($token)->toContain('Tuesday 8 December')
        ->and((string) $this->get("/api/dispatches/$dispatch->id/html")->assertOk()->getContent())->not->toContain($token);
});

it('refuses what is no answer, field by field, and keeps what was said before', function (): void {
    ($this->offer)()->assertCreated();
    $token = ($this->token)('rosa@anden.example');
    $id = ($this->idAt)($this->times[0]);
    ($this->reply)($token, [$id => 'accepted'])->assertOk();
    $bad = [
        ['replies' => 'yes'], ['replies' => [['time' => $id, 'reply' => 'maybe']]], ['replies' => [['time' => $id]]], ['replies' => [['time' => $id, 'reply' => 'declined'], ['time' => $id, 'reply' => 'accepted']]],
        ['replies' => [['time' => 999_999, 'reply' => 'declined']]], ['replies' => [['time' => $id, 'reply' => 'declined', 'x' => 1]]], ['replies' => array_fill(0, 9, ['time' => $id, 'reply' => 'declined'])], ['replies' => [['time' => -1, 'reply' => ['declined']]]],
        ['zone' => 'Factory'], ['zone' => ['Asia/Tokyo']], ['zone' => str_repeat('x', 100)], ['comment' => str_repeat('x', 1001)], ['comment' => ['x']], ['zoneSaid' => 'perhaps'],
    ];
    foreach ($bad as $at => $body) {
        ($this->asGuest)('PUT', '', $token, ['replies' => [['time' => $id, 'reply' => 'declined']], 'zone' => null, 'zoneSaid' => false, 'comment' => null, ...$body])->assertUnprocessable("case $at");
    }
    expect(DB::table('offer_answers')->pluck('reply')->all())->toBe(['accepted']);
    ($this->reply)($token, [$id => null])->assertOk();
    expect(DB::table('offer_answers')->count())->toBe(0);
});

it('reads a guest’s own file, keeps no titles, and shows what is taken', function (): void {
    ($this->offer)()->assertCreated();
    $token = ($this->token)('rosa@anden.example');
    $ics = "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//x//x//EN\r\nBEGIN:VEVENT\r\nUID:a@b.example\r\nDTSTAMP:20261101T000000Z\r\nDTSTART:20261208T150000Z\r\nDTEND:20261208T160000Z\r\nSUMMARY:A secret errand\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n";
    auth()->forgetGuards();
    $give = fn(string $octets): TestResponse => $this->call('POST', '/api/guest/offer/busy-file', server: ['HTTP_AUTHORIZATION' => "Bearer $token", 'HTTP_ACCEPT' => 'application/json', 'CONTENT_TYPE' => 'text/calendar'], content: $octets);
    $give('no calendar at all')->assertUnprocessable()->assertJsonValidationErrors(['file']);
    $give($ics)->assertOk()->assertJsonPath('times.0.busy', null)->assertJsonPath('times.1.busy', 'Your calendar has something on one of the dates.')->assertJsonPath('calendar.isOwnFile', true);
    expect((string) json_encode(DB::table('busy_times')->get()))->not->toContain('secret');
    ($this->asGuest)('DELETE', '/busy-file', $token)->assertOk()->assertJsonPath('calendar', null)->assertJsonPath('times.1.busy', null);
    // What the coordinator reads stays theirs.
    Calendar::query()->create(['person_id' => $this->rosa->id, 'kind' => 'feed', 'url' => 'https://calendar.example/a.ics', 'url_hash' => 'x', 'label' => 'calendar.example', 'state' => 'ok']);
    auth()->forgetGuards();
    $give($ics)->assertConflict()->assertJsonPath('code', 'calendar_is_known');
    ($this->asGuest)('DELETE', '/busy-file', $token)->assertConflict();
    expect(Calendar::query()->where('kind', 'feed')->count())->toBe(1);
});

it('is over for a guest when withdrawn, when late, and when they are asked no more', function (): void {
    ($this->offer)()->assertCreated();
    [$rosa, $piet] = [($this->token)('rosa@anden.example'), ($this->token)('piet@polder.example')];
    $this->meeting->attendees()->where('person_id', $this->piet->id)->delete();
    ($this->asGuest)('GET', '', $piet)->assertJsonPath('over', 'These times are no longer offered. Nothing is needed from you.');
    expect(array_column(($this->view)()['guests'], 'id'))->toBe([$this->rosa->id]);
    $this->travelTo('2026-12-04T09:00:00Z');
    ($this->asGuest)('GET', '', $rosa)->assertJsonPath('over', 'The time to answer is over. Write to whoever asked you if you still want to say something.');
    ($this->reply)($rosa, [($this->idAt)($this->times[0]) => 'accepted'])->assertConflict();
    // The coordinator still closes it, either way.
    expect(($this->view)()['isLate'])->toBeTrue();
    $this->deleteJson("/api/meetings/{$this->meeting->id}/offer")->assertNoContent();
    $this->deleteJson("/api/meetings/{$this->meeting->id}/offer")->assertConflict();
    ($this->asGuest)('GET', '', $rosa)->assertJsonPath('over', 'These times are no longer offered. Nothing is needed from you.');
    expect(Dispatch::query()->where('kind', DispatchKind::TimeOffer)->where('state', DispatchState::TakenBack)->count())->toBe(2);
    ($this->offer)(['guests' => [$this->rosa->id]])->assertCreated();
});

it('gives another link, to the address of by now, and the one before leads nowhere', function (): void {
    ($this->offer)()->assertCreated();
    $old = ($this->token)('rosa@anden.example');
    ($this->reply)($old, [($this->idAt)($this->times[0]) => 'accepted'])->assertOk();
    $this->patchJson("/api/people/{$this->rosa->id}", ['kind' => 'guest', 'name' => 'Rosa', 'email' => 'rosa.q@anden.example', 'zone' => 'America/Lima', 'language' => null, 'hours' => null, 'country' => null, 'region' => null, 'keepsHolidays' => null, 'job' => null, 'phone' => null])->assertOk();
    $this->postJson("/api/meetings/{$this->meeting->id}/offer/guests/{$this->rosa->id}")->assertOk();
    $new = ($this->token)('rosa.q@anden.example');
    ($this->asGuest)('GET', '', $old)->assertNotFound();
    ($this->asGuest)('GET', '', $new)->assertOk()->assertJsonPath('times.0.reply', 'accepted');
    $this->postJson("/api/meetings/{$this->meeting->id}/offer/guests/{$this->coordinator->person_id}")->assertNotFound();
});

it('goes with a draft that is thrown away, with a guest who is forgotten, and over to whom two entries are made', function (): void {
    ($this->offer)()->assertCreated();
    [$rosa, $piet] = [($this->token)('rosa@anden.example'), ($this->token)('piet@polder.example')];
    $one = guest('rosa.quispe@anden.example');
    ($this->reply)($rosa, [($this->idAt)($this->times[0]) => 'accepted'])->assertOk();
    app(MergePeople::class)($this->rosa, $one);
    ($this->asGuest)('GET', '', $rosa)->assertOk()->assertJsonPath('times.0.reply', 'accepted');
    app(ForgetPerson::class)($this->piet, null);
    ($this->asGuest)('GET', '', $piet)->assertNotFound();
    expect(AskedGuest::query()->pluck('person_id')->all())->toBe([$one->id]);
    $this->deleteJson("/api/meetings/{$this->meeting->id}")->assertNoContent();
    ($this->asGuest)('GET', '', $rosa)->assertNotFound();
    expect(GuestLink::query()->count() + TimeOffer::query()->count() + DB::table('offer_answers')->count())->toBe(0);
});

it('neither takes nor sends where the sheet is not ready or was changed meanwhile', function (): void {
    ($this->offer)()->assertCreated();
    $time = ($this->idAt)($this->times[1]);
    $this->meeting->update(['join_mode' => 'online']);
    $take = fn(int $version): TestResponse => $this->postJson("/api/meetings/{$this->meeting->id}/offer/take", ['time' => $time, 'version' => $version]);
    $take($this->meeting->refresh()->version)->assertUnprocessable()->assertJsonPath('code', 'not_ready')->assertJsonPath('details.missing', ['kit']);
    $take($this->meeting->version - 1)->assertConflict()->assertJsonPath('code', 'changed_elsewhere');
    $take(999)->assertConflict();
    $this->postJson("/api/meetings/{$this->meeting->id}/offer/take", ['time' => 999_999, 'version' => $this->meeting->version])->assertNotFound();
    expect($this->meeting->refresh()->starts_local->format('H:i'))->toBe('15:30')->and(($this->view)())->not->toBeNull();
});

it('sends a mail that was refused again while the times are asked about', function (): void {
    ($this->offer)()->assertCreated();
    $dispatch = Dispatch::query()->where('recipient', 'rosa@anden.example')->firstOrFail();
    $dispatch->update(['state' => DispatchState::Refused, 'outcome' => '550 no such user']);
    expect(collect(($this->view)()['guests'])->firstWhere('id', $this->rosa->id)['mail'])->toBe('refused');
    $this->postJson("/api/dispatches/$dispatch->id/again")->assertNoContent();
    $dispatch->update(['state' => DispatchState::Refused]);
    $this->deleteJson("/api/meetings/{$this->meeting->id}/offer")->assertNoContent();
    $this->postJson("/api/dispatches/$dispatch->id/again")->assertConflict();
});

it('tells only outside guests where they are; a colleague’s place is in the directory', function (): void {
    $zones = fn(): array => Person::query()->whereIn('id', [$this->rosa->id, $this->piet->id])->orderBy('email')->pluck('zone')->all();
    ($this->offer)()->assertCreated();
    $token = ($this->token)('rosa@anden.example');
    // Known already, and only proposed by a device: it stays.
    ($this->reply)($token, [], ['zone' => 'Asia/Tokyo', 'zoneSaid' => false])->assertOk();
    expect($zones())->toBe([null, 'America/Lima']);
    ($this->reply)($token, [], ['zone' => 'Asia/Tokyo', 'zoneSaid' => true])->assertOk();
    expect($zones())->toBe([null, 'Asia/Tokyo']);
});

it('waits on Today once everybody has answered, or the time to answer is over', function (): void {
    $needs = fn(): array => array_values(array_filter($this->getJson('/api/today')->assertOk()->json('needs'), fn(array $n): bool => str_starts_with($n['code'], 'offer')));
    ($this->offer)()->assertCreated();
    $id = ($this->idAt)($this->times[0]);
    ($this->reply)(($this->token)('rosa@anden.example'), [$id => 'accepted'])->assertOk();
    expect($needs())->toBe([]);
    ($this->reply)(($this->token)('piet@polder.example'), [$id => 'declined'])->assertOk();
    expect($needs())->toBe([['code' => 'offer_answered', 'meetingId' => $this->meeting->id, 'title' => 'Grower exchange', 'answered' => 2, 'of' => 2]]);
    DB::table('asked_guests')->where('person_id', $this->piet->id)->update(['answered_at' => null]);
    expect($needs())->toBe([]);
    $this->travelTo('2026-12-04T09:00:00Z');
    expect(array_column($needs(), 'code'))->toBe(['offer_late']);
    $this->deleteJson("/api/meetings/{$this->meeting->id}/offer")->assertNoContent();
    expect($needs())->toBe([]);
});

it('goes on where the sending that closed it is taken back', function (): void {
    ($this->offer)()->assertCreated();
    [$first, $second] = array_map($this->idAt, $this->times);
    $token = ($this->token)('rosa@anden.example');
    ($this->reply)($token, [$second => 'accepted'])->assertOk();
    $take = fn(int $time): TestResponse => $this->postJson("/api/meetings/{$this->meeting->id}/offer/take", ['time' => $time, 'version' => $this->meeting->refresh()->version]);
    $take($second)->assertOk();
    $this->deleteJson("/api/meetings/{$this->meeting->id}/offer")->assertConflict();
    $this->postJson("/api/meetings/{$this->meeting->id}/take-back")->assertOk()->assertJsonPath('status', 'draft');
    expect(($this->view)()['times'][0]['accepted'])->toBe([$this->rosa->id]);
    ($this->asGuest)('GET', '', $token)->assertJsonPath('over', null);
    ($this->reply)($token, [$first => 'declined'])->assertOk();
    ($this->offer)()->assertConflict()->assertJsonPath('code', 'offer_is_open');
    $take($first)->assertOk()->assertJsonPath('startLocal', '2026-12-08T15:30:00');
});

it('takes no time that is over, and shows a guest none', function (): void {
    ($this->offer)(['untilOn' => '2026-12-31'])->assertCreated();
    $token = ($this->token)('rosa@anden.example');
    [$first, , $third] = array_map($this->idAt, $this->times);
    $this->travelTo('2026-12-08T16:00:00Z');
    expect(array_column(($this->asGuest)('GET', '', $token)->assertOk()->json('times'), 'id'))->toBe([$third]);
    $this->postJson("/api/meetings/{$this->meeting->id}/offer/take", ['time' => $first, 'version' => $this->meeting->refresh()->version])->assertUnprocessable()->assertJsonValidationErrors(['time']);
    // Answers end with the last of the times.
    $this->travelTo('2026-12-09T15:00:00Z');
    ($this->asGuest)('GET', '', $token)->assertJsonPath('over', 'The time to answer is over. Write to whoever asked you if you still want to say something.');
});

it('reads so many files within an hour', function (): void {
    ($this->offer)()->assertCreated();
    $token = ($this->token)('rosa@anden.example');
    auth()->forgetGuards();
    $give = fn(): int => $this->call('POST', '/api/guest/offer/busy-file', server: ['HTTP_AUTHORIZATION' => "Bearer $token", 'HTTP_ACCEPT' => 'application/json'], content: 'no calendar')->getStatusCode();
    expect(array_count_values(array_map(fn(): int => $give(), range(1, 22))))->toBe([422 => 20, 429 => 2]);
    $this->travel(61)->minutes();
    expect($give())->toBe(422);
});
