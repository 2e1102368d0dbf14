<?php

declare(strict_types=1);

use App\Answers\ReceiveMail;
use App\Answers\Reply;
use App\Invitations\Dispatch;
use App\Invitations\DispatchKind;
use App\People\Role;
use App\Planning\Answer;
use App\Planning\Meeting;
use Illuminate\Support\Facades\DB;

use function Tests\Feature\account;
use function Tests\Feature\colleague;
use function Tests\Feature\delivered;
use function Tests\Feature\guest;
use function Tests\Feature\mailTo;
use function Tests\Feature\meeting;
use function Tests\Feature\repeats;
use function Tests\Feature\sent;
use function Tests\Feature\sheet;

const ROSA = 'rosa@anden.example';

beforeEach(function (): void {
    $this->travelTo('2026-12-02T08:00:00Z');
    config(['syndex.mail_domain' => 'syndex.example', 'syndex.mail_server' => 'mail.syndex.example']);
    $this->coordinator = account(Role::Coordinator, colleague('Wanjiru Achola'));
    $this->rosa = guest(ROSA);
    $this->karl = guest('karl@far.example');
    $this->meeting = meeting($this->coordinator, [$this->coordinator->person, $this->rosa, $this->karl], ['starts_local' => '2026-12-08 15:30:00']);
    sent($this->meeting);
    delivered($this->meeting);
    $this->meeting->refresh();
    /** The iCalendar text of an answer. */
    $this->ics = fn(string $lines, string $method = 'REPLY', ?int $sequence = null, string $stamp = '20261202T070000Z'): string => "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//Example//EN\r\nMETHOD:$method\r\nBEGIN:VEVENT\r\nUID:{$this->meeting->uid}\r\nSEQUENCE:" . ($sequence ?? $this->meeting->sequence) . "\r\nDTSTAMP:$stamp\r\nORGANIZER:mailto:m-{$this->meeting->address_token}@syndex.example\r\n" . str_replace("\n", "\r\n", $lines) . "\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n";
    /** A mail with it, as a mail server hands it over. */
    $this->mail = static fn(string $ics, string $from = ROSA, string $headers = "Authentication-Results: mail.syndex.example; dmarc=pass header.from=anden.example\r\n", ?string $id = null): string => "From: Rosa <$from>\r\nTo: somebody@syndex.example\r\nSubject: Re: Grower exchange\r\nMessage-ID: <" . ($id ?? bin2hex(random_bytes(8))) . "@anden.example>\r\n{$headers}MIME-Version: 1.0\r\nContent-Type: multipart/alternative; boundary=x\r\n\r\n--x\r\nContent-Type: text/plain\r\n\r\nSee you.\r\n--x\r\nContent-Type: text/calendar; method=REPLY; charset=utf-8\r\n\r\n$ics--x--\r\n";
    $this->receive = fn(string $mail, string $from = ROSA, ?array $to = null): ?array => app(ReceiveMail::class)($mail, $from, $to ?? ["m-{$this->meeting->address_token}@syndex.example"]);
    $this->said = fn(string $ics, mixed ...$of): array => array_map(static fn(Reply $r): array => [$r->kind->value, $r->state->value, $r->why], ($this->receive)(($this->mail)($ics, ...$of)));
    $this->partstat = fn(?string $date = null): ?string => Answer::query()->where('person_id', $this->rosa->id)->where('date_local', $date)->value('partstat');
});

it('takes what a calendar program answers', function (string $partstat): void {
    expect(($this->said)(($this->ics)("ATTENDEE;PARTSTAT=$partstat:mailto:rosa@anden.example\nCOMMENT:With pleasure")))->toBe([['answer', 'taken', null]]);
    $answer = Answer::query()->sole();

    expect($answer->only(['partstat', 'comment', 'via', 'date_local']))->toBe(['partstat' => strtolower($partstat), 'comment' => 'With pleasure', 'via' => 'mail', 'date_local' => null])
        ->and($this->meeting->attendees()->where('person_id', $this->rosa->id)->value('partstat'))->toBe(strtolower($partstat));
})->with(['ACCEPTED', 'TENTATIVE', 'DECLINED']);

it('takes an answer to one date beside that to the whole, in any form of its time', function (string $recurrenceId): void {
    ($this->said)(($this->ics)('ATTENDEE;PARTSTAT=ACCEPTED:mailto:rosa@anden.example'));
    expect(($this->said)(($this->ics)("RECURRENCE-ID$recurrenceId\nATTENDEE;PARTSTAT=DECLINED:mailto:rosa@anden.example")))->toBe([['answer', 'taken', null]])
        ->and(($this->partstat)())->toBe('accepted')->and(($this->partstat)('2026-12-15 15:30:00'))->toBe('declined');
})->with(['of the anchor' => ';TZID=Africa/Nairobi:20261215T153000', 'UTC' => ':20261215T123000Z', 'of another zone' => ';TZID=Europe/Lisbon:20261215T123000', 'without a zone' => ':20261215T153000']);

it('passes over what does not count, and says so', function (string $lines, array $of, array $said): void {
    // It was moved since: Rosa was told of version 1.
    $this->actingAs($this->coordinator);
    $sheet = Meeting::query()->findOrFail($this->postJson("/api/meetings/{$this->meeting->id}/change")->json('id'));
    $version = $this->putJson("/api/meetings/$sheet->id", sheet($sheet, ['startLocal' => '2026-12-08T16:00:00', 'rule' => repeats()]))->json('version');
    $this->postJson("/api/meetings/$sheet->id/send", ['version' => $version])->assertOk();
    expect($this->meeting->refresh()->sequence)->toBe(1);
    ($this->said)(($this->ics)('ATTENDEE;PARTSTAT=TENTATIVE:mailto:rosa@anden.example'));

    expect(($this->said)(($this->ics)($lines, ...$of)))->toBe([$said])->and(($this->partstat)())->toBe('tentative');
})->with([
    'to an older version' => ['ATTENDEE;PARTSTAT=ACCEPTED:mailto:rosa@anden.example', ['sequence' => 0], ['answer', 'passed_over', 'older_version']],
    'to one that was never sent' => ['ATTENDEE;PARTSTAT=ACCEPTED:mailto:rosa@anden.example', ['sequence' => 9], ['answer', 'passed_over', 'never_sent']],
    'written before the last' => ['ATTENDEE;PARTSTAT=ACCEPTED:mailto:rosa@anden.example', ['stamp' => '20261202T065959Z'], ['answer', 'passed_over', 'older_answer']],
    'to a date that there is not' => ["RECURRENCE-ID:20261216T120000Z\nATTENDEE;PARTSTAT=ACCEPTED:mailto:rosa@anden.example", [], ['answer', 'passed_over', 'no_such_date']],
    'nothing said' => ['ATTENDEE;PARTSTAT=NEEDS-ACTION:mailto:rosa@anden.example', [], ['answer', 'passed_over', 'nothing_said']],
]);

it('does not let a clock that is ahead hold up later answers', function (): void {
    ($this->said)(($this->ics)('ATTENDEE;PARTSTAT=ACCEPTED:mailto:rosa@anden.example', stamp: '20370101T000000Z'));
    $this->travel(5)->minutes();
    expect(($this->said)(($this->ics)('ATTENDEE;PARTSTAT=DECLINED:mailto:rosa@anden.example', stamp: '20261202T080400Z')))->toBe([['answer', 'taken', null]]);
});

it('keeps aside what may not be theirs, and takes nothing of it', function (string $lines, array $of, string $why): void {
    expect(($this->said)(($this->ics)($lines), ...$of))->toBe([['answer', 'aside', $why]])->and(Answer::query()->count())->toBe(0)
        ->and(DB::table('replies')->value('mail'))->not->toContain('Subject');
})->with(static fn(): array => [
    'no DMARC' => [$rosa = 'ATTENDEE;PARTSTAT=ACCEPTED:mailto:rosa@anden.example', ['headers' => ''], 'not_sure'],
    'DMARC by another server (RFC 8601 5)' => [$rosa, ['headers' => "Authentication-Results: mx.evil.example; dmarc=pass header.from=anden.example\r\n"], 'not_sure'],
    'DMARC failed' => [$rosa, ['headers' => "Authentication-Results: mail.syndex.example; dmarc=fail header.from=anden.example\r\n"], 'not_sure'],
    'from somebody who is not asked' => ['ATTENDEE;PARTSTAT=ACCEPTED:mailto:zoe@anden.example', ['from' => 'zoe@anden.example'], 'not_invited'],
    'Karl in the name of Rosa' => [$rosa, ['from' => 'karl@far.example'], 'on_behalf'],
    'an office for Rosa (RFC 5545 3.2.18)' => ['ATTENDEE;PARTSTAT=ACCEPTED;SENT-BY="mailto:karl@far.example":mailto:rosa@anden.example', ['from' => 'karl@far.example'], 'on_behalf'],
]);

it('takes the same mail once, however often it comes', function (): void {
    $mail = ($this->mail)(($this->ics)('ATTENDEE;PARTSTAT=ACCEPTED:mailto:rosa@anden.example'));
    expect(($this->receive)($mail))->toHaveCount(1)->and(($this->receive)("Received: from elsewhere\r\n$mail"))->toBe([])->and(Reply::query()->count())->toBe(1);
});

it('lets another time and another person wait for the coordinator (RFC 5546 3.2.7, 3.2.2.3)', function (string $method, string $lines, array $kept): void {
    expect(($this->said)(($this->ics)($lines, $method)))->toBe([[$kept['kind'], 'waiting', null]]);
    $reply = Reply::query()->sole();

    expect([$reply->kind->value, $reply->proposed_at?->toIso8601ZuluString(), $reply->proposed_minutes, $reply->delegate, $reply->comment])->toBe(array_values($kept))
        ->and(Dispatch::query()->where('recipient', 'zoe@anden.example')->exists())->toBeFalse();
})->with([
    'another time' => ['COUNTER', "RECURRENCE-ID:20261215T123000Z\nDTSTART:20261215T140000Z\nDTEND:20261215T144500Z\nATTENDEE;RSVP=TRUE:mailto:karl@far.example\nATTENDEE;RSVP=TRUE:mailto:rosa@anden.example\nCOMMENT:School run", ['kind' => 'other_time', '2026-12-15T14:00:00Z', 45, null, 'School run']],
    'somebody else' => ['REPLY', 'ATTENDEE;PARTSTAT=DELEGATED;DELEGATED-TO="mailto:zoe@anden.example":mailto:rosa@anden.example', ['kind' => 'handed_on', null, null, 'zoe@anden.example', null]],
]);

it('answers who asks for the present state, at the address that is known, three times an hour at most', function (): void {
    $ask = fn(): array => ($this->said)(($this->ics)('ATTENDEE:mailto:rosa@anden.example', 'REFRESH'));
    expect($ask())->toBe([['refresh', 'taken', null]]);
    $mail = mailTo(ROSA);
    expect($mail->getHeaderValue('Auto-Submitted'))->toBe('auto-replied')->and($mail->getPart(0, fn($p) => $p->getContentType() === 'text/calendar')?->getContent())->toContain('METHOD:REQUEST', 'SEQUENCE:' . $this->meeting->sequence);
    expect([$ask(), $ask(), $ask()])->toBe([[['refresh', 'taken', null]], [['refresh', 'taken', null]], [['refresh', 'passed_over', 'too_often']]]);
});

it('answers no machine that asks (RFC 3834 2)', function (string $headers, string $envelope): void {
    $mail = ($this->mail)(($this->ics)('ATTENDEE:mailto:rosa@anden.example', 'REFRESH'), headers: "Authentication-Results: mail.syndex.example; dmarc=pass header.from=anden.example\r\n$headers");
    $reply = ($this->receive)($mail, $envelope)[0];
    expect([$reply->state->value, $reply->why])->toBe(['passed_over', 'machine'])->and(Dispatch::query()->where('kind', DispatchKind::Refresh)->exists())->toBeFalse();
})->with(['by itself' => ["Auto-Submitted: auto-generated\r\n", ROSA], 'from nobody' => ['', ''], 'from a list' => ["List-Id: <growers.anden.example>\r\n", ROSA]]);

it('keeps the words of a person, and notes a machine', function (string $headers, array $said): void {
    $mail = "From: Rosa <rosa@anden.example>\r\nTo: x@syndex.example\r\nSubject: Re: Grower exchange\r\nMessage-ID: <w@anden.example>\r\n{$headers}Content-Type: text/plain\r\n\r\nI am late by ten minutes.\r\n\r\nOn Tuesday Wanjiru wrote:\r\n> See you\r\n";
    $reply = ($this->receive)($mail)[0];
    expect([$reply->kind->value, $reply->state->value, $reply->why, $reply->comment, $reply->person_id])->toBe([...$said, 'I am late by ten minutes.', $this->rosa->id]);
})->with(['a person' => ['', ['other', 'aside', 'words']], 'out of office' => ["Auto-Submitted: auto-replied\r\n", ['machine', 'noted', null]]]);

/*
 * What comes back to the envelope sender: as RFC 3464 has it, and in plain words (common practice, no published source).
 */
it('marks a mail that came back, and not one that is late', function (string $mail, string $kind, string $state, ?string $outcome): void {
    $dispatch = Dispatch::query()->where('recipient', ROSA)->sole();
    $reply = ($this->receive)($mail, str_contains($mail, 'Hello?') ? ROSA : '', ["b-$dispatch->envelope_token@syndex.example"])[0];
    $dispatch->refresh();

    expect([$reply->kind->value, $dispatch->state->value])->toBe([$kind, $state])->and($dispatch->bounced_at !== null)->toBe($kind === 'bounce')->and($dispatch->delayed_at !== null)->toBe($kind === 'delay');
    if ($outcome !== null) {
        expect($dispatch->outcome)->toBe($outcome);
    }
})->with(static function (): array {
    $report = static fn(string $action, string $status, string $code): string => "From: MAILER-DAEMON@mx.anden.example\r\nTo: b@syndex.example\r\nSubject: Returned mail\r\nMessage-ID: <d$action@mx.anden.example>\r\nAuto-Submitted: auto-replied\r\nMIME-Version: 1.0\r\nContent-Type: multipart/report; report-type=delivery-status; boundary=x\r\n\r\n--x\r\nContent-Type: text/plain\r\n\r\nSorry.\r\n--x\r\nContent-Type: message/delivery-status\r\n\r\nReporting-MTA: dns; mx.anden.example\r\n\r\nFinal-Recipient: rfc822; rosa@anden.example\r\nAction: $action\r\nStatus: $status\r\nDiagnostic-Code: smtp; $code\r\n\r\n--x\r\nContent-Type: message/rfc822\r\n\r\nSubject: Grower exchange\r\nContent-Type: text/calendar; method=REQUEST\r\n\r\nBEGIN:VCALENDAR\r\nEND:VCALENDAR\r\n--x--\r\n";
    $plain = static fn(string $subject, string $text, string $from = 'MAILER-DAEMON@mx.anden.example', string $more = ''): string => "From: $from\r\nSubject: $subject\r\nMessage-ID: <p@mx.anden.example>\r\n{$more}Content-Type: text/plain\r\n\r\n$text\r\n";

    return [
        'failed' => [$report('failed', '5.1.1', '550 5.1.1 no such mailbox'), 'bounce', 'refused', '5.1.1 550 5.1.1 no such mailbox'],
        'delayed' => [$report('delayed', '4.4.1', '450 busy'), 'delay', 'sent', '4.4.1 450 busy'],
        'delivered' => [$report('delivered', '2.0.0', '250 ok'), 'other', 'sent', null],
        'plain: failed' => [$plain('Mail delivery failed: returning message to sender', 'A message that you sent could not be delivered. This is a permanent error.'), 'bounce', 'refused', 'Mail delivery failed: returning message to sender'],
        'plain: waits' => [$plain('Warning: message delayed 24 hours', 'It will be retried.'), 'delay', 'sent', 'Warning: message delayed 24 hours'],
        'an answering machine' => [$plain('Out of office', 'I am back on Monday.', ROSA, "Auto-Submitted: auto-replied\r\n"), 'machine', 'sent', null],
        'a person, who has a name on the envelope' => [$plain('Re: Grower exchange', 'Hello?', ROSA), 'other', 'sent', null],
    ];
});

it('says that an address is nobody’s here', function (string $to): void {
    expect(($this->receive)(($this->mail)('x'), ROSA, [$to]))->toBeNull();
})->with(['m-0000000000000000@syndex.example', 'b-000000000000000000000000@syndex.example', 'wanjiru@syndex.example', 'm-0000000000000000@elsewhere.example', '', "m-\0@syndex.example"]);

it('is never more than puzzled by a spoiled mail', function (): void {
    $seed = random_int(1, 1_000_000);
    mt_srand($seed);
    $whole = ($this->mail)(($this->ics)("RECURRENCE-ID:20261215T123000Z\nATTENDEE;PARTSTAT=DECLINED:mailto:rosa@anden.example\nCOMMENT:No"));
    for ($i = 0; $i < 400; $i++) {
        $spoiled = $whole;
        for ($n = mt_rand(1, 8); $n > 0; $n--) {
            $at = mt_rand(0, strlen($spoiled) - 1);
            $spoiled = match (mt_rand(0, 3)) {
                0 => substr_replace($spoiled, chr(mt_rand(0, 255)), $at, 1),
                1 => substr_replace($spoiled, '', $at, mt_rand(1, 40)),
                2 => substr_replace($spoiled, substr($spoiled, mt_rand(0, $at), mt_rand(1, 80)), $at, 0),
                default => substr_replace($spoiled, ["\r\n", "\r\n\r\n", '--x', '=', "\0", "\xff\xfe", '99999999999999'][mt_rand(0, 6)], $at, 0),
            };
        }
        ($this->receive)($spoiled);
    }
    // Each was kept or had come before, and nobody else answered.
    expect(Answer::query()->where('person_id', '!=', $this->rosa->id)->count())->toBe(0, "seed $seed")->and(Reply::query()->count())->toBeGreaterThan(0);
});
