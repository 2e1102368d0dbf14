<?php

declare(strict_types=1);

use App\Invitations\Dispatch;
use App\Invitations\Step;
use App\People\Role;
use App\Planning\Meeting;

use function Tests\Feature\account;
use function Tests\Feature\colleague;
use function Tests\Feature\delivered;
use function Tests\Feature\meeting;
use function Tests\Feature\noRoom;
use function Tests\Feature\sent;
use function Tests\Feature\sheet;

beforeEach(function (): void {
    config(['syndex.outbox.hold_seconds' => 30]);
    $this->coordinator = account(Role::Coordinator, colleague('Wanjiru Achola'));
    $this->host = account(Role::Colleague, colleague('Inês Varela', 'Europe/Lisbon'));
    $this->coHost = account(Role::Colleague, colleague('Corin Vale', 'Europe/London'));
    $this->attendee = account(Role::Colleague, colleague('Joram Keter'));
    $this->stranger = account(Role::Colleague, colleague('Niamh Adair', 'Europe/Dublin'));
    /** A sent meeting whose attendees may do so much. */
    $this->held = function (array $room, bool $isSent = true): Meeting {
        $meeting = meeting($this->coordinator, [$this->host->person, $this->coHost->person, $this->attendee->person], ['room' => [...noRoom(), 'coHosts' => [$this->coHost->person_id], ...$room]]);
        if ($isSent) {
            sent($meeting);
            delivered($meeting);
        }

        return $meeting->refresh();
    };
});

/*
 * Who may do what, by what the meeting says: nobody of those who attend, the hosts, or everybody. Columns: host, co-host, attendee, somebody else.
 */
it('lets attendees do what the meeting gives them, and no more', function (array $room, bool $isSent, array $change, array $invite): void {
    $meeting = ($this->held)($room, $isSent);
    $late = colleague('Late Comer');
    $rest = [];
    foreach ([$this->host, $this->coHost, $this->attendee, $this->stranger] as $account) {
        $rest[] = [
            $this->actingAs($account)->postJson("/api/meetings/$meeting->id/change")->getStatusCode() === 201,
            // A change that was begun stands in nobody's way here.
            Meeting::query()->where('changes_id', $meeting->id)->delete() >= 0 && $this->postJson("/api/meetings/$meeting->id/invite", ['people' => [$late->id]])->getStatusCode() === 200,
            $this->postJson('/api/board', [...sheet($meeting), 'index' => 0])->getStatusCode() === 200,
            $this->postJson('/api/guests/check', ['address' => 'a@orchard.example'])->getStatusCode() === 200,
        ];
    }

    expect(array_column($rest, 0))->toBe($change)->and(array_column($rest, 1))->toBe($invite)->and(array_column($rest, 2))->toBe($change)->and(array_column($rest, 3))->toBe($invite);
})->with([
    'nobody' => [[], true, $none = [false, false, false, false], $none],
    'hosts change' => [['changing' => 'hosts'], true, [true, true, false, false], [true, true, false, false]],
    'everybody changes' => [['changing' => 'everyone'], true, $all = [true, true, true, false], $all],
    'hosts invite' => [['inviting' => 'hosts'], true, $none, [true, true, false, false]],
    'everybody invites' => [['inviting' => 'everyone'], true, $none, $all],
    'hosts change, everybody invites' => [['changing' => 'hosts', 'inviting' => 'everyone'], true, [true, true, false, false], $all],
    'a draft is nobody’s yet' => [['changing' => 'everyone', 'inviting' => 'everyone'], false, $none, $none],
]);

it('takes a change by an attendee from the sheet to the mail, and says in the history whose it was', function (): void {
    $meeting = ($this->held)(['changing' => 'everyone']);
    $this->actingAs($this->attendee);
    expect($this->getJson("/api/meetings/$meeting->id")->assertOk()->json())->toMatchArray(['mayChange' => true, 'mayInvite' => true]);
    $sheet = $this->postJson("/api/meetings/$meeting->id/change")->assertCreated()->json();
    $this->getJson("/api/meetings/$sheet[id]")->assertOk();
    $kept = $this->putJson("/api/meetings/$sheet[id]", sheet(Meeting::query()->findOrFail($sheet['id']), ['place' => 'Room 7']))->assertOk()->json();
    $told = $this->getJson("/api/meetings/$sheet[id]/read-back-change")->assertOk()->json();
    expect(array_column($told['different'], 'what'))->toBe(['place'])->and($told['told'])->toHaveCount(3);
    $this->postJson("/api/meetings/$sheet[id]/send", ['version' => $kept['version']])->assertOk();

    expect($meeting->refresh()->place)->toBe('Room 7')->and($meeting->coordinator_id)->toBe($this->coordinator->id)
        ->and(Step::query()->where('meeting_id', $meeting->id)->orderByDesc('id')->value('account_id'))->toBe($this->attendee->id);
    // It is theirs to take back, as long as nothing left.
    $this->postJson("/api/meetings/$meeting->id/take-back")->assertOk();
    expect($meeting->refresh()->place)->toBe('Room 3');
});

it('leaves with whoever plans who runs it, what attendees may do and whom they see', function (): void {
    $meeting = ($this->held)(['changing' => 'everyone']);
    $sheet = Meeting::query()->findOrFail($this->actingAs($this->attendee)->postJson("/api/meetings/$meeting->id/change")->json('id'));
    $own = ['hostId' => $this->attendee->person_id, 'hidesPeople' => true, 'place' => 'Room 7', 'room' => [...noRoom(), 'coHosts' => [$this->attendee->person_id], 'standing' => true, 'standIn' => $this->attendee->person_id, 'changing' => 'everyone', 'inviting' => 'everyone', 'presenters' => [$this->attendee->person_id]]];
    $kept = $this->putJson("/api/meetings/$sheet->id", sheet($sheet, $own))->assertOk()->json();

    expect($kept)->toMatchArray(['hostId' => $this->host->person_id, 'hidesPeople' => null, 'place' => 'Room 7'])
        ->and($kept['room'])->toMatchArray(['coHosts' => [$this->coHost->person_id], 'standing' => false, 'standIn' => null, 'changing' => 'everyone', 'inviting' => 'nobody', 'presenters' => [$this->attendee->person_id]]);
});

it('does not let an attendee take back what somebody else sent', function (): void {
    $meeting = meeting($this->coordinator, [$this->host->person, $this->attendee->person], ['room' => [...noRoom(), 'changing' => 'everyone']]);
    $this->actingAs($this->coordinator)->postJson("/api/meetings/$meeting->id/send", ['version' => $meeting->version])->assertOk();
    $this->actingAs($this->attendee)->postJson("/api/meetings/$meeting->id/take-back")->assertForbidden();
    $this->actingAs($this->coordinator)->postJson("/api/meetings/$meeting->id/take-back")->assertOk();
});

it('keeps from them what is not the meeting', function (string $method, string $path): void {
    $meeting = ($this->held)(['changing' => 'everyone']);
    $other = meeting($this->coordinator, [$this->host->person]);
    $this->actingAs($this->attendee)->json($method, strtr($path, ['{meeting}' => $meeting->id, '{other}' => $other->id]))->assertForbidden();
})->with([['POST', '/api/meetings/{meeting}/call-off'], ['GET', '/api/meetings/{meeting}/history'], ['PUT', '/api/meetings/{other}'], ['DELETE', '/api/meetings/{other}'], ['POST', '/api/meetings'], ['GET', '/api/people'], ['GET', '/api/people/of-meetings?q=gro'], ['GET', '/api/dispatches'], ['GET', '/api/house-rules']]);

it('invites more people to the whole series as optional, and tells them alone', function (): void {
    $meeting = ($this->held)(['inviting' => 'everyone']);
    $late = colleague('Late Comer');
    $now = $this->actingAs($this->attendee)->postJson("/api/meetings/$meeting->id/invite", ['people' => [$late->id, $this->host->person_id]])->assertOk()->json();

    expect(array_column($now['attendees'], 'role'))->toBe(['required', 'required', 'required', 'optional'])->and($now['changeId'])->toBeNull()->and($now['mayInvite'])->toBeTrue()
        ->and(Dispatch::query()->where('state', 'waiting')->pluck('recipient')->all())->toBe([$late->email]);
    // Whom it would ask twice, it does not ask.
    $this->postJson("/api/meetings/$meeting->id/invite", ['people' => [$late->id]])->assertOk();
    expect(Dispatch::query()->where('recipient', $late->email)->count())->toBe(1);
});

it('invites nobody while a change waits, which they would hear of too', function (): void {
    $meeting = ($this->held)(['inviting' => 'everyone']);
    $this->actingAs($this->coordinator)->postJson("/api/meetings/$meeting->id/change")->assertCreated();
    $this->actingAs($this->attendee)->postJson("/api/meetings/$meeting->id/invite", ['people' => [colleague('Late Comer')->id]])->assertStatus(409)->assertJson(['code' => 'change_waits']);
});

it('says what is different where only its rules are, so that it can be sent', function (array $changes, array $what): void {
    $meeting = ($this->held)([]);
    $sheet = Meeting::query()->findOrFail($this->actingAs($this->coordinator)->postJson("/api/meetings/$meeting->id/change")->json('id'));
    $this->putJson("/api/meetings/$sheet->id", sheet($sheet, ['room' => [...noRoom(), 'coHosts' => [$this->coHost->person_id]], ...$changes]))->assertOk();

    expect(array_column($this->getJson("/api/meetings/$sheet->id/read-back-change")->json('different'), 'now', 'what'))->toBe($what);
})->with([
    'nothing' => [[], []],
    'rights' => [fn() => ['room' => [...noRoom(), 'coHosts' => [$this->coHost->person_id], 'inviting' => 'everyone']], ['rights' => 'change it: nobody; invite others: everybody']],
    'a setting' => [fn() => ['room' => [...noRoom(), 'coHosts' => [$this->coHost->person_id], 'settings' => ['chat' => 'off']]], ['room' => 'chat']],
    'the entry in calendars' => [['choices' => ['reminderMinutes' => 60, 'class' => 'private', 'categories' => [], 'takesNoTime' => false, 'notForwarded' => false]], ['calendar' => 'reminder, who may see it']],
]);

it('shows who changes a meeting that people are busy, and not with what', function (): void {
    $meeting = ($this->held)(['changing' => 'everyone']);
    $other = sent(meeting($this->coordinator, [$this->stranger->person], ['title' => 'Board of directors']));
    app(App\Planning\LayDown::class)->anew($other->refresh());
    $board = fn(App\People\Account $who, string $path = '/api/board'): string => (string) $this->actingAs($who)->postJson($path, [...sheet($meeting, ['attendees' => [['personId' => $this->stranger->person_id, 'role' => 'required']]]), 'index' => 0])->assertOk()->getContent();

    expect($board($this->coordinator))->toContain('Board of directors')->and($board($this->attendee))->not->toContain('Board of directors')->toContain('"busy"')
        ->and($board($this->attendee, '/api/times'))->not->toContain('Board of directors');
});

it('shows who changes a meeting nothing of others that are held in the lasting room', function (): void {
    $lasting = ['room' => [...noRoom(), 'standing' => true, 'changing' => 'everyone'], 'join_mode' => 'online'];
    $meeting = meeting($this->coordinator, [$this->host->person, $this->attendee->person], [...$lasting, 'status' => App\Planning\MeetingStatus::Sent, 'sent_at' => now()]);
    $other = meeting($this->coordinator, [$this->host->person, $this->stranger->person], [...$lasting, 'title' => 'Board of directors', 'status' => App\Planning\MeetingStatus::Sent, 'sent_at' => now()]);
    app(App\Planning\LayDown::class)->anew($other);
    $room = fn(App\People\Account $who): array => $this->actingAs($who)->postJson('/api/room', [...sheet($meeting, ['joinMode' => 'online', 'room' => [...noRoom(), 'standing' => true]]), 'meetingId' => $meeting->id])->assertOk()->json();

    expect(array_column($room($this->coordinator)['conflicts'], 'kind'))->toContain('room_taken')->and(array_column($room($this->attendee)['conflicts'], 'kind'))->not->toContain('room_taken')->and($room($this->attendee)['holders'])->toBeNull();
});
