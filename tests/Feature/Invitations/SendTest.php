<?php

declare(strict_types=1);

use App\HouseRules\HouseRules;
use App\Invitations\CoreMeeting;
use App\Invitations\Dispatch;
use App\Invitations\DispatchKind;
use App\Invitations\DispatchState;
use App\Invitations\MakeMail;
use App\Invitations\RelayLetters;
use App\Joining\CloseRoom;
use App\People\Role;
use App\Planning\Meeting;
use App\Planning\MeetingSeries;
use App\Planning\MeetingStatus;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Sabre\VObject\Reader;
use Syndex\Core\Work;

use function Tests\Feature\account;

use function Tests\Feature\colleague;
use function Tests\Feature\delivered;
use function Tests\Feature\guest;
use function Tests\Feature\kit;
use function Tests\Feature\mailTo;
use function Tests\Feature\meeting;
use function Tests\Feature\sent;

use ZBateson\MailMimeParser\Message;

beforeEach(function (): void {
    Queue::fake();
    $this->travelTo('2026-11-25T09:00:00Z');
    $this->coordinator = account(Role::Coordinator, colleague('Lena Strand', 'Europe/Stockholm'));
    $this->actingAs($this->coordinator);
    $this->host = colleague('Wanjiru Achola');
    $this->mere = colleague('Mere Tautari', 'Pacific/Auckland');
    $this->rosa = guest('rosa@anden.example');
    $this->meeting = meeting($this->coordinator, [$this->host, $this->mere, $this->rosa], ['starts_local' => '2026-12-08 15:30:00', 'rrule' => 'FREQ=WEEKLY;INTERVAL=2;COUNT=12']);
    $this->meeting->agenda()->create(['position' => 0, 'title' => 'Lots 40–58', 'minutes' => 25, 'speaker' => 'Wanjiru']);
    kit($this->meeting);
    $this->mailTo = fn(string $address): Message => mailTo($address);
    $this->icsTo = fn(string $address): string => (string) ($this->mailTo)($address)->getPart(0, fn($p) => $p->getContentType() === 'text/calendar')?->getContent();
});

it('writes one dispatch for each recipient, in the same breath as the change', function (): void {
    sent($this->meeting);

    expect(Dispatch::query()->pluck('recipient')->sort()->values()->all())->toBe(['mere.tautari@garden.example', 'rosa@anden.example', 'wanjiru.achola@garden.example'])
        ->and(Dispatch::query()->distinct()->count('message_id'))->toBe(3)
        ->and($this->meeting->refresh()->status)->toBe(MeetingStatus::Sent)
        ->and($this->meeting->occurrences()->count())->toBe(12);
});

it('builds each mail as RFC 6047 2.4 asks', function (): void {
    sent($this->meeting);
    $mail = ($this->mailTo)('rosa@anden.example');
    $types = array_map(static fn($p) => $p->getContentType(), $mail->getAllParts());
    $calendar = $mail->getPart(0, fn($p) => $p->getContentType() === 'text/calendar');
    $file = $mail->getPart(0, fn($p) => $p->getContentType() === 'application/ics');

    expect($types)->toBe(['multipart/mixed', 'multipart/alternative', 'text/plain', 'text/html', 'text/calendar', 'application/ics'])
        ->and($calendar->getHeaderParameter('Content-Type', 'method'))->toBe('REQUEST')
        ->and(strtoupper((string) $calendar->getHeaderParameter('Content-Type', 'charset')))->toBe('UTF-8')
        ->and($file->getFilename())->toBe('invite.ics')
        ->and($file->getBinaryContentStream()?->getContents())->toBe($calendar->getBinaryContentStream()?->getContents())
        ->and((string) $calendar->getBinaryContentStream()?->getContents())->toContain("\r\nMETHOD:REQUEST\r\n")
        ->and([$mail->getHeaderValue('Auto-Submitted'), $mail->getHeaderValue('Content-Language')])->toBe(['auto-generated', 'en']);
    // RFC 2045 6.7: a line of the text is a line of the mail, broken softly only where it is longer than 76 octets.
    $raw = app(MakeMail::class)->of(Dispatch::query()->where('recipient', 'rosa@anden.example')->firstOrFail());
    expect($raw)->toContain("\r\n\r\nGrower exchange\r\n")->not->toContain('=0A')->not->toContain('=0D');
});

it('invites from the meeting\'s own address, in the host\'s name, aligned with our domain', function (): void {
    sent($this->meeting);
    $event = Reader::read(($this->icsTo)('rosa@anden.example'))->VEVENT;
    $own = CoreMeeting::addressOf($this->meeting);

    expect((string) $event->ORGANIZER)->toBe("mailto:$own")->and((string) $event->ORGANIZER['CN'])->toBe('Wanjiru Achola')->and($event->ORGANIZER['SENT-BY'])->toBeNull()
        ->and(($this->mailTo)('rosa@anden.example')->getHeaderValue('From'))->toBe($own)->and($own)->toEndWith('@' . config('syndex.mail_domain'));
});

it('names the coordinator as SENT-BY where a house rule lets the host invite', function (): void {
    app(HouseRules::class)->set(['organizer' => 'host']);
    sent($this->meeting);
    $event = Reader::read(($this->icsTo)('rosa@anden.example'))->VEVENT;

    expect((string) $event->ORGANIZER)->toBe('mailto:wanjiru.achola@garden.example')
        ->and((string) $event->ORGANIZER['SENT-BY'])->toBe('mailto:lena.strand@garden.example')
        ->and(Dispatch::query()->where('recipient', 'wanjiru.achola@garden.example')->exists())->toBeFalse()
        ->and(($this->mailTo)('rosa@anden.example')->getHeaderValue('From'))->toEndWith('@' . config('syndex.mail_domain'));
});

it('puts the link into LOCATION, the text and CONFERENCE (RFC 7986 5.11)', function (): void {
    sent($this->meeting);
    $event = Reader::read(($this->icsTo)('rosa@anden.example'))->VEVENT;
    $link = 'https://meet.syndex.example/j/abc-defg-hij';

    expect((string) $event->LOCATION)->toBe($link)->and((string) $event->CONFERENCE)->toBe($link)->and((string) $event->DESCRIPTION)->toContain($link)
        ->and(($this->mailTo)('rosa@anden.example')->getTextContent())->toContain($link)->toContain('Hn7pR4wk')->toContain('604187')
        ->and(($this->mailTo)('rosa@anden.example')->getHtmlContent())->toContain($link);
});

it('tells each recipient their own time, and when their clock will differ', function (string $address, array $lines): void {
    sent($this->meeting);
    $text = (string) ($this->mailTo)($address)->getTextContent();

    foreach ($lines as $line) {
        expect($text)->toContain($line);
    }
})->with([
    'Auckland' => ['mere.tautari@garden.example', ['Wednesday 9 December 2026, 01:30', 'Auckland time, for 45 minutes. 15:30 on Tuesday in Nairobi.', 'In your time: Wed 9 Dec 2026, 01:30; ', 'On 3 dates from 14 April 2027 it is at 00:30 your time.', 'Wanjiru Achola invites you. Sent by Lena Strand.']],
    'nobody knows where' => ['rosa@anden.example', ['Tuesday 8 December 2026, 15:30', 'Nairobi time, for 45 minutes.']],
]);

it('hides people from each other where outside guests are among them, always where they are many, else as was chosen', function (?bool $chosen, bool $withGuest, int $more, bool $isHidden): void {
    $this->meeting->update(['hides_people' => $chosen]);
    if (!$withGuest) {
        $this->meeting->attendees()->whereHas('person', fn($q) => $q->where('kind', 'guest'))->delete();
    }
    foreach (range(1, $more) as $i) {
        $this->meeting->attendees()->create(['person_id' => colleague("Person $i")->id, 'position' => 10 + $i, 'role' => 'required']);
    }
    sent($this->meeting->refresh());
    $ics = ($this->icsTo)('mere.tautari@garden.example');
    $mail = ($this->mailTo)('mere.tautari@garden.example');
    $count = substr_count($ics, 'ATTENDEE');
    $all = $this->meeting->attendees()->count();

    expect($count)->toBe($isHidden ? 1 : $all)
        ->and(str_contains((string) $mail->getTextContent(), 'Who is invited'))->toBe(!$isHidden)
        ->and(str_contains((string) $mail->getHtmlContent(), 'Who is invited'))->toBe(!$isHidden);
})->with([
    'with a guest' => [null, true, 1, true],
    'with a guest, shown' => [false, true, 1, false],
    'colleagues' => [null, false, 1, false],
    'colleagues, hidden' => [true, false, 1, true],
    'a hundred and more, shown' => [false, false, 105, true],
]);

it('escapes what people wrote', function (): void {
    $this->meeting->update(['title' => '<b>Lots</b> & "seeds"', 'purpose' => '<script>alert(1)</script>']);
    sent($this->meeting);
    $mail = ($this->mailTo)('rosa@anden.example');

    expect($mail->getHtmlContent())->not->toContain('<script>')->toContain('&lt;script&gt;')
        ->and($mail->getTextContent())->toContain('<b>Lots</b> & "seeds"')
        ->and($mail->getHeaderValue('Subject'))->toStartWith('<b>Lots</b> & "seeds"');
});

it('is read the same by readers of their own: every start agrees', function (array $values): void {
    $this->meeting->update([...$values, 'hides_people' => false]);
    sent($this->meeting);
    $ics = ($this->icsTo)('rosa@anden.example');
    $ours = app(MeetingSeries::class)->of($this->meeting)->expand(Work::atMost(1_000_000), limit: 60)->starts;
    foreach (['node ' . base_path('tests/readers/ical.mjs'), '/usr/bin/python3 ' . base_path('tests/readers/icalendar_reader.py')] as $reader) {
        $process = proc_open("$reader 60", [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']], $pipes, base_path());
        fwrite($pipes[0], $ics);
        fclose($pipes[0]);
        $read = json_decode((string) stream_get_contents($pipes[1]), true);
        $said = stream_get_contents($pipes[2]);
        proc_close($process);
        expect($read)->not->toBeNull($said)
            ->and($read['method'])->toBe('REQUEST')
            ->and($read['events'][0]['starts'])->toBe($ours)
            ->and($read['events'][0]['attendees'])->toBe(3)
            ->and($read['events'][0]['location'])->toBe('https://meet.syndex.example/j/abc-defg-hij');
    }
})->with([
    'no changes of clocks' => [[]],
    'over both changes' => [['zone' => 'Europe/Lisbon', 'rrule' => 'FREQ=WEEKLY;COUNT=60']],
    'the southern hemisphere' => [['zone' => 'Pacific/Chatham', 'rrule' => 'FREQ=DAILY;INTERVAL=5;COUNT=60']],
    'a zone with Ramadan' => [['zone' => 'Africa/Casablanca', 'rrule' => 'FREQ=WEEKLY;BYDAY=TU,FR;COUNT=60']],
    'until a date' => [['zone' => 'America/St_Johns', 'rrule' => 'FREQ=WEEKLY;UNTIL=20270601']],
    'without an end' => [['zone' => 'America/Santiago', 'rrule' => 'FREQ=MONTHLY;BYDAY=-1FR', 'starts_local' => '2026-12-25 00:30:00']],
    'the last day of the month' => [['zone' => 'Australia/Lord_Howe', 'rrule' => 'FREQ=MONTHLY;BYMONTHDAY=-1;COUNT=20', 'starts_local' => '2026-12-31 09:00:00']],
    'dropped dates' => [['zone' => 'America/New_York', 'rrule' => 'FREQ=WEEKLY;COUNT=20', 'dropped_local' => ['2026-12-22T15:30:00', '2027-03-16T15:30:00']]],
    'yearly' => [['zone' => 'Europe/Berlin', 'rrule' => 'FREQ=YEARLY;COUNT=4', 'starts_local' => '2027-03-28 10:00:00']],
]);

it('is not sent while something is missing, and says what', function (array $values, array $missing): void {
    $this->meeting->update($values);
    if (in_array('kit', $missing, true)) {
        DB::table('joining_kits')->delete();
    }
    if (in_array('people', $missing, true)) {
        DB::table('attendees')->delete();
    }
    $this->postJson("/api/meetings/{$this->meeting->id}/send", ['version' => $this->meeting->version])->assertStatus(422)->assertJson(['code' => 'not_ready', 'details' => ['missing' => $missing]]);

    expect(Dispatch::query()->count())->toBe(0);
})->with([
    'a title' => [['title' => ''], ['title']],
    'a room' => [[], ['kit']],
    'anybody' => [[], ['people']],
    'a date to come' => [['starts_local' => '2026-11-24 10:00:00', 'rrule' => null], ['dates']],
]);

it('is sent only as it was read back', function (): void {
    $this->postJson("/api/meetings/{$this->meeting->id}/send", ['version' => $this->meeting->version + 1])->assertStatus(409)->assertJson(['code' => 'changed_elsewhere']);
});

it('reads back what is odd', function (): void {
    $this->meeting->update(['purpose' => null, 'join_mode' => 'both', 'place' => null, 'rrule' => 'FREQ=WEEKLY']);
    $this->meeting->agenda()->delete();
    sent(meeting($this->coordinator, [$this->mere], ['title' => 'Fern swap', 'starts_local' => '2026-12-08 15:45:00', 'rrule' => null]));
    $back = $this->getJson("/api/meetings/{$this->meeting->id}/read-back")->assertOk()->json();

    expect(array_column($back['odd'], 'code'))->toBe(['clash', 'night', 'no_purpose', 'open_end'])->and($back['missing'])->toContain('place')
        ->and($back['odd'][0])->toMatchArray(['personId' => $this->mere->id, 'dates' => [['on' => '2026-12-08T15:30:00', 'label' => 'Fern swap', 'required' => true]]])
        ->and(collect($back['recipients'])->firstWhere('person.name', 'Mere Tautari'))->toMatchArray(['firstLocal' => '2026-12-09T01:30:00', 'place' => 'Auckland']);
});

it('reads back dates that are past and times that a clock skips', function (): void {
    // IANA zone data: Lisbon's clocks go from 01:00 to 02:00 on 28 March 2027.
    $this->meeting->update(['zone' => 'Europe/Lisbon', 'starts_local' => '2026-11-22 01:30:00', 'rrule' => 'FREQ=WEEKLY;COUNT=20']);
    $odd = collect($this->getJson("/api/meetings/{$this->meeting->id}/read-back")->assertOk()->json('odd'))->keyBy('code');

    expect($odd['past'])->toMatchArray(['count' => 1, 'of' => 20])
        ->and($odd['skipped'])->toMatchArray(['place' => 'Lisbon', 'dates' => [['date' => '2027-03-28T01:30:00', 'reads' => '2027-03-28T02:30:00']]]);
});

it('names addresses to which no mail can be sent', function (): void {
    DB::table('people')->where('id', $this->rosa->id)->update(['email' => 'rosa@' . str_repeat('a', 70) . '.example']);

    expect($this->getJson("/api/meetings/{$this->meeting->id}/read-back")->json('unsendable'))->toHaveCount(1);
});

it('names an address with letters before the @ until the mail server has said that it takes them (RFC 6531 3.1)', function (): void {
    DB::table('people')->where('id', $this->rosa->id)->update(['email' => 'roša@anden.example']);
    $unsendable = fn(): array => $this->getJson("/api/meetings/{$this->meeting->id}/read-back")->json('unsendable');
    $before = $unsendable();
    app(RelayLetters::class)->note(true);
    $taken = $unsendable();
    app(RelayLetters::class)->note(false);

    expect([$before, $taken, $unsendable()])->toBe([[['personId' => $this->rosa->id, 'problem' => 'letters']], [], [['personId' => $this->rosa->id, 'problem' => 'letters']]]);
});

it('counts no dates in the letter of a series without an end', function (): void {
    $this->meeting->update(['rrule' => 'FREQ=WEEKLY', 'starts_local' => '2027-03-02 15:30:00']);
    $lisbon = colleague('Inês Varela', 'Europe/Lisbon');
    $this->meeting->attendees()->create(['person_id' => $lisbon->id, 'position' => 9, 'role' => 'required']);

    // IANA zone data: Lisbon's clocks go forward on 28 March 2027, Nairobi's never.
    expect($this->getJson("/api/meetings/{$this->meeting->id}/letter/$lisbon->id")->json('text'))->toContain('From 30 March 2027 on, while the clocks differ, it is at 13:30 your time.')->not->toMatch('/\d+ dates/');
});

it('shows before sending the very letter that is then sent', function (): void {
    $shown = $this->getJson("/api/meetings/{$this->meeting->id}/letter/{$this->mere->id}")->assertOk()->json();
    sent($this->meeting);

    expect(trim(str_replace("\r\n", "\n", (string) ($this->mailTo)('mere.tautari@garden.example')->getTextContent())))->toBe(trim($shown['text']))
        ->and(Dispatch::query()->where('recipient', 'mere.tautari@garden.example')->value('subject'))->toBe($shown['subject']);
});

it('gives a file for calendars kept by hand: no method, the same dates', function (): void {
    sent($this->meeting);
    $file = $this->get("/api/meetings/{$this->meeting->id}/file.ics")->assertOk();

    expect((string) $file->headers->get('Content-Disposition'))->toContain('grower-exchange.ics')
        ->and($file->getContent())->not->toContain('METHOD:')->toContain('RRULE:FREQ=WEEKLY;COUNT=12;INTERVAL=2');
});

describe('calling off', function (): void {
    it('tells exactly those who were invited, one SEQUENCE higher, and closes the room', function (): void {
        $meeting = sent($this->meeting);
        delivered($meeting);
        $this->postJson("/api/meetings/$meeting->id/call-off")->assertOk()->assertJson(['status' => 'called_off']);
        $cancels = Dispatch::query()->where('kind', DispatchKind::CallingOff)->get();
        $event = Reader::read(($this->icsTo)('rosa@anden.example'))->VEVENT;

        expect($cancels->pluck('recipient')->sort()->values()->all())->toBe(['mere.tautari@garden.example', 'rosa@anden.example', 'wanjiru.achola@garden.example'])
            ->and((string) Reader::read(($this->icsTo)('rosa@anden.example'))->METHOD)->toBe('CANCEL')
            ->and((string) $event->UID)->toBe($meeting->uid)->and((string) $event->SEQUENCE)->toBe('1')->and((string) $event->STATUS)->toBe('CANCELLED')
            ->and(Meeting::query()->findOrFail($meeting->id)->sequence)->toBe(1);
        Queue::assertPushed(CloseRoom::class, 1);
    });

    it('happens once', function (): void {
        $meeting = sent($this->meeting);
        $this->postJson("/api/meetings/$meeting->id/call-off")->assertOk();
        $this->postJson("/api/meetings/$meeting->id/call-off")->assertStatus(409)->assertJson(['code' => 'locked']);
    });

    it('sends nothing to whom nothing had left yet, and something to whom it may have', function (): void {
        $meeting = sent($this->meeting);
        Dispatch::query()->where('recipient', 'rosa@anden.example')->update(['attempted_at' => now()]);
        $this->postJson("/api/meetings/$meeting->id/call-off")->assertOk();

        expect(Dispatch::query()->where('kind', DispatchKind::CallingOff)->pluck('recipient')->all())->toBe(['rosa@anden.example'])
            ->and(Dispatch::query()->where('kind', DispatchKind::Invitation)->get()->map(fn($d) => $d->state)->unique()->all())->toBe([DispatchState::Replaced]);
    });

    it('is for sent meetings only', function (): void {
        $this->postJson("/api/meetings/{$this->meeting->id}/call-off")->assertStatus(409);
    });
});

describe('taking back', function (): void {
    it('leaves a draft and no mail, while nothing has left', function (): void {
        $meeting = sent($this->meeting);
        $this->postJson("/api/meetings/$meeting->id/take-back")->assertOk()->assertJson(['status' => 'draft']);

        expect(Dispatch::query()->get()->map(fn($d) => $d->state)->unique()->all())->toBe([DispatchState::TakenBack]);
        sent($this->meeting->refresh());
        expect(Dispatch::query()->where('state', DispatchState::Waiting)->count())->toBe(3);
    });

    it('is too late once a mail has left', function (): void {
        $meeting = sent($this->meeting);
        Dispatch::query()->limit(1)->update(['state' => 'sent', 'attempted_at' => now()]);
        $this->postJson("/api/meetings/$meeting->id/take-back")->assertStatus(409)->assertJson(['code' => 'too_late']);

        expect($meeting->refresh()->status)->toBe(MeetingStatus::Sent);
    });
});

it('keeps passcodes, PINs and mails unreadable in the tables', function (): void {
    sent($this->meeting);
    $rows = json_encode([DB::table('joining_kits')->get(), DB::table('dispatches')->get()]);

    expect($rows)->not->toContain('Hn7pR4wk')->not->toContain('604187')->not->toContain('BEGIN:VCALENDAR')->not->toContain(base64_encode('BEGIN:VCALENDAR'));
});
