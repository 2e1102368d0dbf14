<?php

declare(strict_types=1);

use App\Invitations\Dispatch;
use App\Invitations\Step;
use App\People\Role;
use App\Planning\Meeting;
use Illuminate\Support\Facades\DB;

use function Tests\Feature\account;
use function Tests\Feature\colleague;
use function Tests\Feature\delivered;
use function Tests\Feature\guest;
use function Tests\Feature\icsTo;
use function Tests\Feature\mailTo;
use function Tests\Feature\meeting;
use function Tests\Feature\repeats;
use function Tests\Feature\sent;
use function Tests\Feature\sheet;

beforeEach(function (): void {
    $this->travelTo('2026-12-01T08:00:00Z');
    $this->wanjiru = account(Role::Coordinator, colleague('Wanjiru Achola', 'Africa/Nairobi', ['email' => 'wanjiru@garden.example']));
    $this->ines = colleague('Inês Varela', 'Europe/Lisbon', ['email' => 'ines@garden.example']);
    $this->rosa = guest('rosa@far.example');
    $this->actingAs($this->wanjiru);
    $this->meeting = sent(meeting($this->wanjiru, [$this->wanjiru->person, $this->ines, $this->rosa]));
    $this->begin = fn() => $this->postJson("/api/meetings/{$this->meeting->id}/change")->assertCreated()->json();
    $this->change = function (array $changes): Meeting {
        $sheet = Meeting::query()->findOrFail(($this->begin)()['id']);
        $this->putJson("/api/meetings/$sheet->id", sheet($sheet, [...$changes, ...(array_key_exists('people', $changes) ? ['attendees' => array_map(static fn($p) => ['personId' => $p->id, 'role' => 'required'], $changes['people'])] : [])]))->assertOk();

        return $sheet->refresh();
    };
    $this->send = fn(Meeting $sheet, array $more = []) => $this->postJson("/api/meetings/$sheet->id/send", ['version' => $sheet->version, ...$more]);
    // "rosa@far.example change 1 time", of the last step
    $this->told = fn(): array => Dispatch::query()->whereHas('snapshot', fn($q) => $q->where('step_id', Step::query()->max('id')))->orderBy('recipient')->orderBy('recurrence_id')->get()
        ->map(static fn(Dispatch $d): string => implode(' ', array_filter([strstr($d->recipient, '@', true), $d->kind->value, (string) $d->sequence, $d->recurrence_id, implode(',', $d->changes ?? [])], static fn(?string $t): bool => $t !== null && $t !== '')))->all();
});

it('opens a sent meeting for change on one sheet, which is in no list, and leaves it as its people know it', function (): void {
    $sheet = ($this->begin)();
    expect([$sheet['status'], $sheet['changeOf'], $sheet['title'], count($sheet['attendees'])])->toBe(['draft', $this->meeting->id, $this->meeting->title, 3]);
    // A second coordinator gets the same sheet.
    $this->actingAs(account(Role::Coordinator, colleague('Joram Kiptui')));
    expect(($this->begin)()['id'])->toBe($sheet['id']);

    ($this->change)(['title' => 'Grower talk', 'rule' => repeats()]);
    foreach (['drafts', 'all'] as $which) {
        expect($this->getJson("/api/meetings?which=$which")->json('meetings.*.id'))->not->toContain($sheet['id']);
    }
    $now = $this->getJson("/api/meetings/{$this->meeting->id}")->assertOk()->json();
    expect([$now['title'], $now['status'], $now['changeId']])->toBe([$this->meeting->title, 'sent', $sheet['id']]);
    // The board does not hold the meeting against itself.
    $board = $this->postJson('/api/board', [...sheet(Meeting::query()->findOrFail($sheet['id'])), 'index' => 0, 'meetingId' => $sheet['id']])->assertOk()->json();
    expect($board['board']['summary']['busy'])->toBe([]);

    $this->deleteJson("/api/meetings/{$sheet['id']}")->assertNoContent();
    expect($this->getJson("/api/meetings/{$this->meeting->id}")->json('changeId'))->toBeNull();
});

it('tells exactly whom a change concerns', function (array $changes, array $expected, array $more = []): void {
    delivered($this->meeting);
    $sheet = ($this->change)(['rule' => repeats(), ...array_map(fn($c) => $c instanceof Closure ? $c->call($this) : $c, $changes)]);
    $answer = ($this->send)($sheet, $more)->assertOk()->json();

    expect([$answer['id'], $answer['changeId'], ($this->told)()])->toBe([$this->meeting->id, null, $expected]);
})->with([
    'another place' => [['place' => 'Hall 2'], ['ines change 1 place,text', 'rosa change 1 place,text', 'wanjiru change 1 place,text']],
    'another title' => [['title' => 'Other'], ['ines change 0 title', 'rosa change 0 title', 'wanjiru change 0 title']],
    'half an hour later' => [['startLocal' => '2026-12-15T16:00:00'], ['ines change 1 time', 'rosa change 1 time', 'wanjiru change 1 time']],
    'longer, and less often' => [['durationMinutes' => 60, 'rule' => fn() => repeats(['interval' => 2])], ['ines change 1 length,repeats', 'rosa change 1 length,repeats', 'wanjiru change 1 length,repeats']],
    'one date off' => [['dropped' => ['2026-12-22T15:30:00']], ['ines calling_off 1 2026-12-22T15:30:00 date_dropped', 'rosa calling_off 1 2026-12-22T15:30:00 date_dropped', 'wanjiru calling_off 1 2026-12-22T15:30:00 date_dropped']],
    'one date moved' => [['dropped' => ['2026-12-22T15:30:00'], 'extra' => ['2026-12-23T10:00:00'], 'moved' => [['date' => '2026-12-22T15:30:00', 'to' => '2026-12-23T10:00:00']]], ['ines change 1 2026-12-22T15:30:00 date_moved', 'rosa change 1 2026-12-22T15:30:00 date_moved', 'wanjiru change 1 2026-12-22T15:30:00 date_moved']],
    'somebody out' => [['people' => fn() => [$this->wanjiru->person, $this->ines]], ['rosa calling_off 1 people']],
    'somebody in' => [['people' => fn() => [$this->wanjiru->person, $this->ines, $this->rosa, guest('karl@far.example')]], ['karl invitation 0 new']],
    'somebody in, all told' => [['people' => fn() => [$this->wanjiru->person, $this->ines, $this->rosa, guest('karl@far.example')]], ['ines change 0 people', 'karl invitation 0 new', 'rosa change 0 people', 'wanjiru change 0 people'], ['tellAll' => true]],
    'nothing' => [[], []],
]);

it('writes what changed, old and new, in the reader’s own time', function (): void {
    delivered($this->meeting);
    ($this->send)(($this->change)(['rule' => repeats(), 'startLocal' => '2026-12-15T16:00:00', 'place' => 'Hall 2']))->assertOk();
    $mail = mailTo('ines@garden.example');
    $text = (string) $mail->getTextContent();

    expect($mail->getHeaderValue('Subject'))->toStartWith('Changed: ')
        ->and($text)->toContain('Wanjiru Achola has changed this meeting.')
        ->toContain('Time: was 15:30 Nairobi time, now 16:00 Nairobi time.')
        ->toContain('The first date in your time: was Tuesday 15 December 2026, 12:30, now Tuesday 15 December 2026, 13:00.')
        ->toContain('Place: was Room 3, now Hall 2.')
        ->and(icsTo('ines@garden.example'))->toContain('METHOD:REQUEST')->toContain('SEQUENCE:1')->toContain('DTSTART;TZID=Africa/Nairobi:20261215T160000');
});

it('tells who is taken out, and of one date that is off, just that', function (): void {
    delivered($this->meeting);
    ($this->send)(($this->change)(['rule' => repeats(), 'dropped' => ['2026-12-22T15:30:00'], 'people' => [$this->wanjiru->person, $this->ines]]))->assertOk();

    expect((string) mailTo('rosa@far.example')->getTextContent())->toContain('has taken you off the list')
        ->and(icsTo('rosa@far.example'))->toContain('METHOD:CANCEL')->toContain('ATTENDEE')->not->toContain('STATUS')
        ->and((string) mailTo('ines@garden.example')->getTextContent())->toContain('has called this one date off')->toContain('Tuesday 22 December 2026')
        ->and(icsTo('ines@garden.example'))->toContain('RECURRENCE-ID;TZID=Africa/Nairobi:20261222T153000')->toContain('STATUS:CANCELLED')->not->toContain('RRULE:FREQ=WEEKLY;COUNT');
});

it('replaces an invitation that has not left: one message leaves, to the meeting as it is', function (): void {
    // Inês has hers, Rosa's waits.
    Dispatch::query()->where('recipient', 'ines@garden.example')->update(['state' => 'sent', 'attempted_at' => now(), 'sent_at' => now()]);
    ($this->send)(($this->change)(['rule' => repeats(), 'startLocal' => '2026-12-15T16:00:00']))->assertOk();

    expect(($this->told)())->toBe(['ines change 1 time', 'rosa invitation 1 new', 'wanjiru invitation 1 new'])
        ->and(Dispatch::query()->where('recipient', 'rosa@far.example')->orderBy('id')->pluck('state')->map->value->all())->toBe(['replaced', 'waiting'])
        ->and((string) mailTo('rosa@far.example')->getTextContent())->toContain('invites you')->not->toContain('changed')
        ->and(icsTo('rosa@far.example'))->toContain('DTSTART;TZID=Africa/Nairobi:20261215T160000')->toContain('SEQUENCE:1');
});

it('works a change that waits out anew from what last left', function (): void {
    delivered($this->meeting);
    ($this->send)(($this->change)(['rule' => repeats(), 'place' => 'Hall 2']))->assertOk();
    // Back to where it was, before the first change has left: nothing is to be told, and nothing leaves.
    ($this->send)(($this->change)(['rule' => repeats(), 'place' => 'Room 3']))->assertOk();

    expect(($this->told)())->toBe([])->and(Dispatch::query()->where('state', 'waiting')->count())->toBe(0);
});

it('asks anew for answers after a change of when or where, and keeps them else', function (): void {
    delivered($this->meeting);
    DB::table('attendees')->where('meeting_id', $this->meeting->id)->update(['partstat' => 'accepted']);
    $answers = fn(): array => DB::table('attendees')->where('meeting_id', $this->meeting->id)->orderBy('position')->pluck('partstat')->all();
    ($this->send)(($this->change)(['rule' => repeats(), 'title' => 'Other']))->assertOk();
    expect($answers())->toBe(['accepted', 'accepted', 'accepted'])->and(icsTo('ines@garden.example'))->toContain('PARTSTAT=ACCEPTED');

    delivered($this->meeting);
    ($this->send)(($this->change)(['title' => 'Other', 'rule' => repeats(), 'place' => 'Hall 2']))->assertOk();
    expect($answers())->toBe(['needs-action', 'needs-action', 'needs-action']);
});

it('calls off for those who were told last, and drops a change that waited', function (): void {
    delivered($this->meeting);
    ($this->send)(($this->change)(['rule' => repeats(), 'people' => [$this->wanjiru->person, $this->ines, guest('karl@far.example')]]))->assertOk();
    delivered($this->meeting);
    $sheet = ($this->begin)();
    $this->postJson("/api/meetings/{$this->meeting->id}/call-off")->assertOk();

    expect(Dispatch::query()->where('state', 'waiting')->orderBy('recipient')->pluck('recipient')->all())->toBe(['ines@garden.example', 'karl@far.example', 'wanjiru@garden.example'])
        ->and(Meeting::query()->find($sheet['id']))->toBeNull();
    $this->postJson("/api/meetings/{$this->meeting->id}/change")->assertStatus(409)->assertJson(['code' => 'locked']);
});

it('refuses to send a change that was edited meanwhile, or that is not ready', function (): void {
    $sheet = ($this->change)(['rule' => repeats(), 'place' => 'Hall 2']);
    $this->postJson("/api/meetings/$sheet->id/send", ['version' => $sheet->version - 1])->assertStatus(409)->assertJson(['code' => 'changed_elsewhere']);
    $bare = ($this->change)(['rule' => repeats(), 'title' => '']);
    ($this->send)($bare)->assertStatus(422)->assertJson(['code' => 'not_ready']);
    expect($this->meeting->refresh()->place)->toBe('Room 3');
});

it('keeps what was done, by whom, from what to what', function (): void {
    delivered($this->meeting);
    ($this->send)(($this->change)(['rule' => repeats(), 'place' => 'Hall 2']))->assertOk();
    $step = Step::query()->orderByDesc('id')->firstOrFail();

    expect([$step->kind->value, $step->account_id, json_decode((string) $step->before, true)['meeting']['place'], json_decode((string) $step->after, true)['meeting']['place']])->toBe(['changed', $this->wanjiru->id, 'Room 3', 'Hall 2']);
    // What is told of people is not readable in the table.
    expect((string) DB::table('meeting_steps')->where('id', $step->id)->value('after'))->not->toContain('Hall 2');
});

it('takes a change back while nothing of it has left: the meeting is as its people know it, and the change waits', function (): void {
    // Inês has her invitation, Rosa's waits still.
    Dispatch::query()->where('recipient', 'ines@garden.example')->update(['state' => 'sent', 'attempted_at' => now(), 'sent_at' => now()]);
    DB::table('attendees')->where('meeting_id', $this->meeting->id)->update(['partstat' => 'accepted']);
    ($this->send)(($this->change)(['rule' => repeats(), 'place' => 'Hall 2', 'people' => [$this->wanjiru->person, $this->ines, guest('karl@far.example')]]))->assertOk();
    $back = $this->postJson("/api/meetings/{$this->meeting->id}/take-back")->assertOk()->json();

    expect([$back['status'], $back['place'], array_column(array_column($back['attendees'], 'person'), 'email'), $back['changedLocal']])
        ->toBe(['sent', 'Room 3', ['wanjiru@garden.example', 'ines@garden.example', 'rosa@far.example'], null])
        ->and(Meeting::query()->findOrFail($back['changeId'])->place)->toBe('Hall 2')
        ->and(Dispatch::query()->whereIn('state', ['waiting', 'sending'])->pluck('recipient')->sort()->values()->all())->toBe(['rosa@far.example', 'wanjiru@garden.example'])
        ->and(DB::table('attendees')->where('meeting_id', $this->meeting->id)->whereIn('person_id', [$this->ines->id])->value('partstat'))->toBe('accepted');
    // Sent once more, it is told as if for the first time.
    ($this->send)(Meeting::query()->findOrFail($back['changeId']))->assertOk();
    expect(($this->told)())->toBe(['ines change 2 place,text', 'karl invitation 2 new', 'wanjiru invitation 2 new']);
});

it('takes nothing back of which something has left', function (): void {
    delivered($this->meeting);
    ($this->send)(($this->change)(['rule' => repeats(), 'place' => 'Hall 2']))->assertOk();
    Dispatch::query()->where('state', 'waiting')->where('recipient', 'ines@garden.example')->update(['attempted_at' => now()]);
    $this->postJson("/api/meetings/{$this->meeting->id}/take-back")->assertStatus(409)->assertJson(['code' => 'too_late']);
    expect($this->meeting->refresh()->place)->toBe('Hall 2');
});

it('reads a change back: what is different, who hears what in their own time, who hears nothing', function (): void {
    delivered($this->meeting);
    $sheet = ($this->change)(['rule' => repeats(), 'people' => [$this->wanjiru->person, $this->ines, guest('karl@far.example')]]);
    $read = fn(string $query = ''): array => $this->getJson("/api/meetings/$sheet->id/read-back-change$query")->assertOk()->json();
    $said = fn(array $read): array => array_map(static fn(array $t): array => [$t['name'], $t['role'], implode(',', $t['changes']), $t['was'], $t['now']], $read['told']);

    expect($read()['different'])->toBe([['what' => 'people_new', 'was' => null, 'now' => 'karl@far.example'], ['what' => 'people_gone', 'was' => 'rosa@far.example', 'now' => null]])
        ->and($said($read()))->toBe([['karl@far.example', 'required', 'new', null, '2026-12-15T15:30:00'], ['rosa@far.example', 'out', 'people', '2026-12-15T15:30:00', null]])
        // The meeting invites from an address of its own, so the host hears nothing like anybody else.
        ->and($read()['untouched'])->toBe([['name' => 'Inês Varela', 'isOrganizer' => false], ['name' => 'Wanjiru Achola', 'isOrganizer' => false]])
        ->and($said($read('?tellAll=1'))[0])->toBe(['Inês Varela', 'required', 'people', '2026-12-15T12:30:00', '2026-12-15T12:30:00']);

    ($this->change)(['rule' => repeats(), 'startLocal' => '2026-12-15T16:00:00', 'title' => 'Talk', 'people' => [$this->wanjiru->person, $this->ines, $this->rosa]]);
    expect($read()['different'])->toBe([
        ['what' => 'time', 'was' => '15:30 Nairobi time', 'now' => '16:00 Nairobi time'],
        ['what' => 'title', 'was' => 'Grower exchange', 'now' => 'Talk'],
    ])->and($said($read())[0])->toBe(['Inês Varela', 'required', 'time,title', '2026-12-15T12:30:00', '2026-12-15T13:00:00']);
    expect($this->getJson("/api/meetings/$sheet->id/letter/{$this->ines->id}")->assertOk()->json('subject'))->toBe('Changed: Talk: Tue 15 Dec 2026, 13:00 Lisbon time');
    foreach ([
        [['rule' => repeats(['every' => 'day'])], ['what' => 'when', 'was' => 'every Tuesday at 15:30 Nairobi time for 45 minutes, 4 times from 15 December 2026', 'now' => 'every day at 15:30 Nairobi time for 45 minutes, 4 times from 15 December 2026']],
        [['hidesPeople' => false], ['what' => 'sees', 'was' => 'people do not see each other', 'now' => 'everybody sees who is invited']],
        [['durationMinutes' => 60], ['what' => 'length', 'was' => '45 minutes', 'now' => '1 hour']],
        [['dropped' => ['2026-12-22T15:30:00']], ['what' => 'dates_off', 'was' => 'Tuesday 22 December 2026, 15:30 Nairobi time', 'now' => null]],
        [['dropped' => ['2026-12-22T15:30:00'], 'extra' => ['2026-12-23T10:00:00'], 'moved' => [['date' => '2026-12-22T15:30:00', 'to' => '2026-12-23T10:00:00']]], ['what' => 'date_moved', 'was' => 'Tuesday 22 December 2026, 15:30 Nairobi time', 'now' => 'Wednesday 23 December 2026, 10:00 Nairobi time']],
        [['extra' => ['2027-02-03T10:00:00']], ['what' => 'dates_new', 'was' => null, 'now' => 'Wednesday 3 February 2027, 10:00 Nairobi time']],
    ] as [$changes, $line]) {
        ($this->change)(['rule' => repeats(), 'title' => 'Grower exchange', 'startLocal' => '2026-12-15T15:30:00', 'durationMinutes' => 45, 'people' => [$this->wanjiru->person, $this->ines, $this->rosa], ...$changes]);
        expect($read()['different'])->toBe([$line]);
    }
    // Nothing was kept of it.
    expect($this->meeting->refresh()->title)->toBe('Grower exchange');
});

it('tells of a moved date by what the series calls it, in the first sending too', function (): void {
    $move = ['dropped' => ['2026-12-22T15:30:00'], 'extra' => ['2026-12-23T10:00:00'], 'moved' => [['date' => '2026-12-22T15:30:00', 'to' => '2026-12-23T10:00:00']]];
    delivered($this->meeting);
    ($this->send)(($this->change)(['rule' => repeats(), ...$move]))->assertOk();
    $mail = mailTo('ines@garden.example');
    expect($mail->getHeaderValue('Subject'))->toStartWith('Changed: Grower exchange: Wed 23 Dec 2026, 07:00 Lisbon time')
        ->and((string) $mail->getTextContent())->toContain('One date is moved: was Tuesday 22 December 2026, 12:30 Lisbon time, now Wednesday 23 December 2026, 07:00 Lisbon time.')
        ->and(icsTo('ines@garden.example'))->toContain('RECURRENCE-ID;TZID=Africa/Nairobi:20261222T153000')->toContain('DTSTART;TZID=Africa/Nairobi:20261223T100000')->not->toContain('RDATE')->not->toContain('EXDATE');

    // Who is added afterwards gets the whole set, with it as an entry of its own.
    delivered($this->meeting);
    ($this->send)(($this->change)(['rule' => repeats(), ...$move, 'people' => [$this->wanjiru->person, $this->ines, $this->rosa, guest('karl@far.example')]]))->assertOk();
    expect(($this->told)())->toBe(['karl invitation 1 new']);
    expect(icsTo('karl@far.example'))->toContain('RRULE:FREQ=WEEKLY;COUNT=4')->toContain('RECURRENCE-ID;TZID=Africa/Nairobi:20261222T153000')->not->toContain('RDATE');

    // And off altogether, it is called off by the same name.
    delivered($this->meeting);
    ($this->send)(($this->change)(['rule' => repeats(), 'dropped' => ['2026-12-22T15:30:00'], 'people' => [$this->wanjiru->person, $this->ines, $this->rosa, guest('karl@far.example')]]))->assertOk();
    expect(array_unique(array_map(static fn(string $told): string => strstr($told, ' '), ($this->told)())))->toBe([' calling_off 2 2026-12-22T15:30:00 date_dropped'])
        ->and((string) mailTo('ines@garden.example')->getTextContent())->toContain('Wednesday 23 December 2026, 07:00');
});

it('tells the history: who did what, from what to what, and how many were told', function (): void {
    delivered($this->meeting);
    ($this->send)(($this->change)(['rule' => repeats(), 'place' => 'Hall 2', 'title' => 'Talk']))->assertOk();
    $steps = $this->getJson("/api/meetings/{$this->meeting->id}/history")->assertOk()->json('steps');

    expect(array_map(static fn(array $s): array => [$s['kind'], $s['by'], $s['told'], $s['canRestore'], array_column($s['different'], 'what')], $steps))
        ->toBe([['changed', 'Wanjiru Achola', 3, true, ['title', 'place']], ['sent', null, 3, false, []]]);
    // The list finds it by its new title.
    expect($this->getJson('/api/meetings?which=sent&q=talk')->json('total'))->toBe(1);

    // Back to how it was: as a change, which is sent like any other.
    $sheet = $this->postJson("/api/meetings/{$this->meeting->id}/history/{$steps[0]['id']}/restore")->assertCreated()->json();
    expect([$sheet['title'], $sheet['place'], $sheet['changeOf'], $this->meeting->refresh()->title])->toBe(['Grower exchange', 'Room 3', $this->meeting->id, 'Talk']);
    $this->postJson("/api/meetings/{$this->meeting->id}/history/{$steps[0]['id']}/restore")->assertStatus(409)->assertJson(['code' => 'change_waits']);
    $this->postJson("/api/meetings/{$this->meeting->id}/history/{$steps[1]['id']}/restore")->assertStatus(409);
    delivered($this->meeting);
    ($this->send)(Meeting::query()->findOrFail($sheet['id']))->assertOk();
    expect(($this->told)())->toBe(['ines change 2 place,title,text', 'rosa change 2 place,title,text', 'wanjiru change 2 place,title,text']);

    // A step of another meeting is none of this one's.
    $other = sent(meeting($this->wanjiru, [$this->ines]));
    $this->postJson("/api/meetings/$other->id/history/{$steps[0]['id']}/restore")->assertNotFound();
});

it('calls one date off: on the sheet of a change, whatever else waits there', function (): void {
    delivered($this->meeting);
    ($this->change)(['rule' => repeats(), 'place' => 'Hall 2']);
    $drop = fn(string $date) => $this->postJson("/api/meetings/{$this->meeting->id}/change", ['drop' => [$date]]);
    $sheet = $drop('2026-12-22T15:30:00')->assertCreated()->json();
    expect([$sheet['dropped'], $sheet['place']])->toBe([['2026-12-22T15:30:00'], 'Hall 2']);

    $drop('2026-12-23T15:30:00')->assertStatus(422)->assertJsonPath('errors.drop.0', 'The series has no such date any more. Look again and take the date as it stands now.');
    $drop('tomorrow')->assertStatus(422);
    foreach (['2026-12-15T15:30:00', '2026-12-29T15:30:00'] as $date) {
        $drop($date)->assertCreated();
    }
    $drop('2027-01-05T15:30:00')->assertStatus(422);
    expect(Meeting::query()->findOrFail($sheet['id'])->dropped_local)->toHaveCount(3);
});

it('says the coordinator’s own words with an invitation, a change and a calling-off, also as COMMENT', function (): void {
    $says = fn(string $words) => expect((string) mailTo('ines@garden.example')->getTextContent())->toContain(str_replace("\n", "\r\n", $words))
        ->and((string) mailTo('ines@garden.example')->getHtmlContent())->toContain(e(explode("\n", $words)[0]))
        ->and(icsTo('ines@garden.example'))->toContain('COMMENT:' . str_replace([',', "\n"], ['\\,', '\\n'], $words));
    $fresh = meeting($this->wanjiru, [$this->ines]);
    $this->postJson("/api/meetings/$fresh->id/send", ['version' => $fresh->version, 'words' => " Welcome, and <b>bring</b> seeds.\nW. "])->assertOk();
    $says("Welcome, and <b>bring</b> seeds.\nW.");

    delivered($this->meeting);
    $sheet = ($this->change)(['rule' => repeats(), 'place' => 'Hall 2', 'people' => [$this->wanjiru->person, $this->rosa]]);
    expect($this->getJson("/api/meetings/$sheet->id/letter/{$this->rosa->id}?words=" . urlencode('The hall is warmer.'))->assertOk()->json('text'))->toContain('The hall is warmer.');
    ($this->send)($sheet, ['words' => 'The hall is warmer.'])->assertOk();
    // Who is taken out hears them too.
    $says('The hall is warmer.');
    expect($this->getJson("/api/meetings/{$this->meeting->id}/history")->json('steps.0.words'))->toBe('The hall is warmer.');

    delivered($fresh);
    $this->postJson("/api/meetings/$fresh->id/call-off", ['words' => 'Flu, sorry.'])->assertOk();
    $says('Flu, sorry.');
    $this->postJson("/api/meetings/$sheet->changes_id/call-off", ['words' => str_repeat('x', 1001)])->assertStatus(422)->assertJsonPath('errors.words.0', fn(string $said): bool => $said !== '');
});

it('sends again what did not arrive of a change, but nothing that a later message has said since', function (): void {
    delivered($this->meeting);
    ($this->send)(($this->change)(['rule' => repeats(), 'place' => 'Hall 2']))->assertOk();
    Dispatch::query()->where('state', 'waiting')->update(['state' => 'sent', 'attempted_at' => now()]);
    $refused = Dispatch::query()->where('recipient', 'ines@garden.example')->where('kind', 'change')->firstOrFail();
    $refused->update(['state' => 'refused', 'outcome' => '550 no such user']);
    expect($this->getJson('/api/dispatches')->json('undelivered'))->toBe(1);

    // Inês is told of the next change as from what last left for her: the place is in it too.
    ($this->send)(($this->change)(['rule' => repeats(), 'place' => 'Hall 2', 'title' => 'Talk']))->assertOk();
    expect(($this->told)())->toBe(['ines change 2 place,title,text', 'rosa change 2 title', 'wanjiru change 2 title'])->and($this->getJson('/api/dispatches')->json('undelivered'))->toBe(0);
    $this->postJson("/api/dispatches/$refused->id/again")->assertStatus(409);
});

describe('whoever is left out', function (): void {
    it('is not told this time, keeps their answer, and is told with the next change from what they know', function (): void {
        delivered($this->meeting);
        $this->meeting->attendees()->update(['partstat' => 'accepted']);
        ($this->send)(($this->change)(['rule' => repeats(), 'place' => 'Hall 2']), ['leaveOut' => [$this->rosa->id]])->assertOk();
        expect(Dispatch::query()->where('recipient', 'rosa@far.example')->orderBy('id')->pluck('state')->map->value->all())->toBe(['sent', 'left_out'])
            ->and($this->meeting->attendees()->pluck('partstat', 'person_id')->all())->toBe([$this->wanjiru->person_id => 'needs-action', $this->ines->id => 'needs-action', $this->rosa->id => 'accepted'])
            ->and($this->getJson("/api/meetings/{$this->meeting->id}/history")->json('steps.0.told'))->toBe(2);

        Dispatch::query()->where('state', 'waiting')->update(['state' => 'sent', 'attempted_at' => now()]);
        ($this->send)(($this->change)(['rule' => repeats(), 'place' => 'Hall 2', 'title' => 'Grower talk']))->assertOk();
        expect(($this->told)())->toBe(['ines change 2 title', 'rosa change 2 place,title,text', 'wanjiru change 2 title']);
    });

    it('does not keep a change from being taken back', function (): void {
        delivered($this->meeting);
        ($this->send)(($this->change)(['rule' => repeats(), 'place' => 'Hall 2']), ['leaveOut' => [$this->rosa->id]])->assertOk();
        $this->postJson("/api/meetings/{$this->meeting->id}/take-back")->assertOk();
        expect($this->meeting->refresh()->place)->toBe('Room 3');
    });
});

it('sends a meeting once more to one of its people, as it stands', function (): void {
    delivered($this->meeting);
    ($this->send)(($this->change)(['rule' => repeats(), 'place' => 'Hall 2']), ['leaveOut' => [$this->rosa->id]])->assertOk();
    $this->travel(1)->minutes();
    $tell = fn($person) => $this->postJson("/api/meetings/{$this->meeting->id}/tell/$person->id");
    $tell($this->rosa)->assertOk()->assertJson(['name' => 'rosa@far.example']);
    expect(($this->told)())->toBe(['rosa invitation 1 new'])->and(icsTo('rosa@far.example'))->toContain('SEQUENCE:1')->toContain('LOCATION:Hall 2')->toContain('DTSTAMP:20261201T0801');

    $tell(guest('karl@far.example'))->assertNotFound();
    $this->postJson("/api/meetings/{$this->meeting->id}/call-off")->assertOk();
    $tell($this->rosa)->assertStatus(409);
});
