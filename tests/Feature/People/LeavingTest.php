<?php

declare(strict_types=1);

use App\HouseRules\HouseRules;
use App\Invitations\Dispatch;
use App\Invitations\ForgetStaleGuests;
use App\Invitations\Snapshot;
use App\Invitations\Step;
use App\People\Account;
use App\People\Person;
use App\People\Role;
use App\Planning\Meeting;
use Illuminate\Support\Facades\DB;

use function Tests\Feature\account;
use function Tests\Feature\colleague;
use function Tests\Feature\delivered;
use function Tests\Feature\guest;
use function Tests\Feature\icsTo;
use function Tests\Feature\meeting;
use function Tests\Feature\sent;
use function Tests\Feature\sheet;

beforeEach(function (): void {
    $this->travelTo('2026-12-01T08:00:00Z');
    $this->admin = account(Role::Administrator, colleague('Joram Kiptui'));
    $this->wanjiru = account(Role::Coordinator, colleague('Wanjiru Achola'));
    $this->lena = account(Role::Coordinator, colleague('Lena Strand'));
    $this->corin = colleague('Corin Hale');
    $this->actingAs($this->admin);
    $this->when = ['starts_local' => '2026-12-08 15:30:00'];
});

describe('two entries of one person', function (): void {
    it('become one, with all that hangs on them, and their calendars are put right', function (): void {
        $old = guest('rosa@old.example');
        $new = guest('rosa@new.example');
        $old->update(['name' => 'Rosa Quispe', 'zone' => 'America/La_Paz']);
        $both = meeting($this->wanjiru, [$this->wanjiru->person, $old, $new], [...$this->when, 'title' => 'Both']);
        $both->attendees()->where('person_id', $new->id)->update(['role' => 'optional']);
        $sent = sent(meeting($this->wanjiru, [$this->wanjiru->person, $old], $this->when));
        delivered($sent);
        $sent->attendees()->where('person_id', $old->id)->update(['partstat' => 'accepted']);
        $said = static fn(string $id, string $meeting, string $partstat): array => ['meeting_id' => $meeting, 'person_id' => $id, 'partstat' => $partstat, 'via' => 'mail', 'sequence' => 0, 'stamped_at' => now(), 'answered_at' => now()];
        DB::table('answers')->insert([$said($old->id, $sent->id, 'accepted'), $said($old->id, $both->id, 'declined'), $said($new->id, $both->id, 'tentative')]);

        $this->postJson("/api/people/$old->id/merge", ['into' => $new->id])->assertOk()->assertJson(['id' => $new->id, 'name' => 'Rosa Quispe', 'zone' => 'America/La_Paz', 'email' => 'rosa@new.example']);
        expect(Person::query()->find($old->id))->toBeNull()
            ->and($both->attendees()->where('person_id', $new->id)->get()->map(static fn($a): string => $a->role->value)->all())->toBe(['required'])
            ->and($sent->attendees()->where('person_id', $new->id)->value('partstat'))->toBe('accepted')
            ->and(DB::table('answers')->where('person_id', $new->id)->pluck('partstat')->sort()->values()->all())->toBe(['accepted', 'tentative'])
            ->and(icsTo('rosa@old.example'))->toContain('METHOD:CANCEL')
            ->and(icsTo('rosa@new.example'))->toContain('METHOD:REQUEST')
            ->and(Dispatch::query()->where('recipient', 'rosa@old.example')->whereNull('person_id')->count())->toBe(0);
    });

    it('can be a guest and the colleague that they became, and nobody else', function (): void {
        $guest = guest('corin@home.example');
        $this->postJson("/api/people/$guest->id/merge", ['into' => $this->corin->id])->assertOk();
        $this->postJson("/api/people/{$this->corin->id}/merge", ['into' => $this->lena->person_id])->assertStatus(409);
        $other = guest('x@y.example');
        $this->postJson("/api/people/$other->id/merge", ['into' => $other->id])->assertStatus(409);
        $this->postJson("/api/people/$other->id/merge", ['into' => 'nobody'])->assertStatus(422);
    });
});

describe('a guest who is forgotten', function (): void {
    it('leaves no name and no address anywhere, and it is on record that it was done', function (): void {
        $rosa = guest('rosa@anden.example');
        $rosa->update(['name' => 'Rosa Quispe', 'zone' => 'America/La_Paz', 'language' => 'es', 'phone' => '+59122345678']);
        $meeting = sent(meeting($this->wanjiru, [$this->wanjiru->person, $rosa, $this->corin], [...$this->when, 'rrule' => null]));
        delivered($meeting);
        Dispatch::query()->where('recipient', 'rosa@anden.example')->update(['outcome' => '250 kept for rosa@anden.example', 'mail' => encrypt('to Rosa Quispe', false)]);
        $draft = meeting($this->wanjiru, [$this->wanjiru->person, $rosa], [...$this->when, 'title' => 'Draft']);
        DB::table('answers')->insert(['meeting_id' => $meeting->id, 'person_id' => $rosa->id, 'partstat' => 'accepted', 'comment' => 'Rosa will come', 'via' => 'mail', 'sequence' => 0, 'stamped_at' => now(), 'answered_at' => now()]);
        DB::table('replies')->insert(['meeting_id' => $meeting->id, 'person_id' => null, 'kind' => 'answer', 'via' => 'mail', 'state' => 'aside', 'sender' => 'rosa@anden.example', 'comment' => 'Rosa will come', 'mail' => 'From: rosa@anden.example', 'created_at' => now()]);

        // Asked to something ahead: they have to hear of it first.
        $this->postJson("/api/people/$rosa->id/forget")->assertStatus(409)->assertJson(['code' => 'asked_ahead']);
        expect($draft->attendees()->count())->toBe(2);
        $this->travelTo('2026-12-20T08:00:00Z');
        $this->postJson("/api/people/$rosa->id/forget")->assertNoContent();
        $this->postJson("/api/people/$rosa->id/forget")->assertNoContent();

        $dump = '';
        foreach (['people', 'person_words', 'person_search', 'dispatches', 'attendees', 'meetings', 'agenda_items', 'accounts', 'answers', 'replies'] as $table) {
            $dump .= json_encode(DB::table($table)->get());
        }
        foreach (Snapshot::query()->get() as $snapshot) {
            $dump .= $snapshot->content . $snapshot->before;
        }
        foreach (Step::query()->get() as $step) {
            $dump .= $step->before . $step->after;
        }
        expect(mb_strtolower($dump))->not->toContain('rosa')->not->toContain('quispe')->not->toContain('59122345678')
            // That somebody was asked stays.
            ->and($meeting->attendees()->count())->toBe(3)->and($draft->attendees()->count())->toBe(1)
            ->and(Dispatch::query()->count())->toBe(3)
            ->and((array) DB::table('forgotten_people')->first(['account_id', 'meetings', 'mails']))->toBe(['account_id' => $this->admin->id, 'meetings' => 1, 'mails' => 1])
            ->and(DB::table('forgotten_people')->count())->toBe(1)
            ->and($this->getJson('/api/house-rules')->json('forgotten.count'))->toBe(1)
            ->and($this->getJson('/api/people')->json('people.*.id'))->not->toContain($rosa->id)
            ->and($this->getJson("/api/meetings/$meeting->id")->assertOk()->json('attendees'))->toHaveCount(3);
        $this->getJson("/api/meetings/$meeting->id/history")->assertOk();
        // The address is anybody's again.
        $this->postJson('/api/guests', ['addresses' => ['rosa@anden.example']])->assertOk()->assertJsonPath('0.name', null);
    });

    it('is no colleague', function (): void {
        $this->postJson("/api/people/{$this->corin->id}/forget")->assertStatus(409)->assertJson(['code' => 'not_a_guest']);
    });

    it('is one whom nobody met for as long as the house says', function (): void {
        [$old, $met, $ahead, $fresh] = [guest('old@x.example'), guest('met@x.example'), guest('ahead@x.example'), guest('fresh@x.example')];
        sent(meeting($this->wanjiru, [$this->wanjiru->person, $old], [...$this->when, 'rrule' => null]));
        sent(meeting($this->wanjiru, [$this->wanjiru->person, $ahead], [...$this->when, 'rrule' => 'FREQ=WEEKLY']));
        $this->travelTo('2027-09-01T08:00:00Z');
        sent(meeting($this->wanjiru, [$this->wanjiru->person, $met], ['starts_local' => '2027-09-08 15:30:00', 'rrule' => null]));
        $fresh->touch();
        $this->travelTo('2027-10-01T08:00:00Z');
        $left = static fn(): array => Person::query()->where('kind', 'guest')->whereNull('forgotten_at')->orderBy('email')->pluck('email')->all();
        app()->call([new ForgetStaleGuests(), 'handle']);
        expect($left())->toHaveCount(4);
        app(HouseRules::class)->set(['forgetGuestsMonths' => 6]);
        app()->call([new ForgetStaleGuests(), 'handle']);
        expect($left())->toBe(['ahead@x.example', 'fresh@x.example', 'met@x.example'])->and(DB::table('forgotten_people')->value('account_id'))->toBeNull();
    });
});

describe('who leaves', function (): void {
    it('hands over what they host and coordinate, and is taken out of what lies ahead, with nobody told by itself', function (): void {
        $person = $this->wanjiru->person;
        $sent = sent(meeting($this->wanjiru, [$person, $this->corin], $this->when));
        $asked = sent(meeting($this->lena, [$this->lena->person, $person], [...$this->when, 'title' => 'Asked']));
        $draft = meeting($this->wanjiru, [$person, $this->corin], [...$this->when, 'title' => 'Draft']);
        $over = sent(meeting($this->wanjiru, [$person, $this->corin], ['starts_local' => '2026-12-02 15:30:00', 'rrule' => null, 'title' => 'Over']));
        $this->travelTo('2026-12-03T08:00:00Z');
        $mails = Dispatch::query()->count();
        expect($this->getJson("/api/people/$person->id/hand-over")->json())->toBe(['hosts' => 2, 'coordinates' => 2, 'asked' => 3]);

        $hand = fn(?string $to, bool $leaves) => $this->postJson("/api/people/$person->id/hand-over", ['toId' => $to, 'leaves' => $leaves]);
        $hand(null, true)->assertStatus(422);
        $hand($this->corin->id, true)->assertStatus(422)->assertJson(['code' => 'nobody_to_coordinate']);
        $hand($person->id, true)->assertStatus(422);
        $hand(guest('g@x.example')->id, true)->assertStatus(422);
        $hand($this->lena->person_id, true)->assertOk()->assertJson(['hosts' => 2, 'coordinates' => 2, 'changes' => 2]);

        $change = Meeting::query()->where('changes_id', $sent->id)->firstOrFail();
        expect([$change->host_id, $change->coordinator_id, $change->attendees()->pluck('person_id')->all()])->toBe([$this->lena->person_id, $this->lena->id, [$this->lena->person_id, $this->corin->id]])
            ->and($sent->refresh()->coordinator_id)->toBe($this->lena->id)
            ->and($sent->host_id)->toBe($person->id)
            ->and(Meeting::query()->where('changes_id', $asked->id)->firstOrFail()->attendees()->pluck('person_id')->all())->toBe([$this->lena->person_id])
            ->and([$draft->refresh()->host_id, $draft->coordinator_id])->toBe([$this->lena->person_id, $this->lena->id])
            ->and($over->refresh()->host_id)->toBe($person->id)
            ->and(Dispatch::query()->count())->toBe($mails)
            ->and($person->refresh()->left_at)->not->toBeNull()
            ->and(Account::query()->whereKey($this->wanjiru->id)->value('deactivated_at'))->not->toBeNull();
        $this->actingAs($this->wanjiru->refresh())->getJson('/api/today')->assertStatus(401);
        $this->actingAs($this->lena);
        expect(collect($this->getJson('/api/today')->json('needs'))->where('code', 'change'))->toHaveCount(2);
        $this->actingAs($this->admin)->postJson("/api/people/$person->id/back")->assertNoContent();
        expect($person->refresh()->left_at)->toBeNull();
    });

    it('may hand over and stay, as host no more', function (): void {
        $person = $this->wanjiru->person;
        $sent = sent(meeting($this->wanjiru, [$person, $this->corin], $this->when));
        $this->actingAs($this->lena)->postJson("/api/people/$person->id/hand-over", ['toId' => $this->lena->person_id, 'leaves' => false])->assertOk()->assertJson(['changes' => 1]);
        expect(Meeting::query()->where('changes_id', $sent->id)->firstOrFail()->attendees()->count())->toBe(3)->and($person->refresh()->left_at)->toBeNull();
    });

    it('and has an account is let go by an administrator, never the last one', function (): void {
        $this->actingAs($this->lena)->postJson("/api/people/{$this->wanjiru->person_id}/hand-over", ['toId' => $this->lena->person_id, 'leaves' => true])->assertForbidden();
        $this->postJson("/api/people/{$this->corin->id}/hand-over", ['toId' => null, 'leaves' => true])->assertOk();
        $this->actingAs($this->admin)->postJson("/api/people/{$this->admin->person_id}/hand-over", ['toId' => null, 'leaves' => true])->assertStatus(409);
        expect($this->admin->refresh()->deactivated_at)->toBeNull();
    });
});

describe('files on a meeting', function (): void {
    beforeEach(function (): void {
        $this->actingAs($this->wanjiru);
        $this->meeting = meeting($this->wanjiru, [$this->wanjiru->person, $this->corin], $this->when);
        $this->bring = fn(string $octets, string $name = 'plan.pdf') => $this->call('POST', "/api/meetings/{$this->meeting->id}/files?" . http_build_query(['name' => $name]), server: ['CONTENT_TYPE' => 'application/octet-stream', 'HTTP_ACCEPT' => 'application/json'], content: $octets);
    });

    it('are what their content says, come back octet for octet, and are saved, not shown', function (string $octets, string $type): void {
        $id = ($this->bring)($octets)->assertCreated()->assertJson(['type' => $type, 'size' => strlen($octets)])->json('id');
        $answer = $this->get("/api/meetings/{$this->meeting->id}/files/$id")->assertOk();
        expect($answer->streamedContent())->toBe($octets)
            ->and($answer->headers->get('Content-Disposition'))->toStartWith('attachment')
            ->and($answer->headers->get('X-Content-Type-Options'))->toBe('nosniff')
            ->and((string) $answer->headers->get('Content-Security-Policy'))->toContain('sandbox');
    })->with([
        'a PDF' => ["%PDF-1.4\n1 0 obj\n<<>>\nendobj\n", 'application/pdf'], 'a page that would run' => ['<!DOCTYPE html><html><script>alert(1)</script></html>', 'text/plain'],
        'a picture with script in it' => ['<?xml version="1.0"?><svg xmlns="http://www.w3.org/2000/svg"><script/></svg>', 'text/plain'], 'text' => ['hello', 'text/plain'],
        'larger than a part' => ["PK\x03\x04" . str_repeat("\x00\x01binary", 400_000), 'application/zip'],
    ]);

    it('have names and no ways', function (string $name, string $kept): void {
        ($this->bring)('x', $name)->assertCreated()->assertJson(['name' => $kept]);
        $id = DB::table('meeting_files')->value('id');
        expect((string) $this->get("/api/meetings/{$this->meeting->id}/files/$id")->headers->get('Content-Disposition'))->not->toContain("\n");
    })->with([['../../etc/passwd', 'passwd'], ['C:\\Users\\x\\a.txt', 'a.txt'], ["two\r\nlines.txt", 'two lines.txt'], ['Пла н "1".pdf', 'Пла н "1".pdf']]);

    it('are up to a size, and up to a number', function (): void {
        app(HouseRules::class)->set(['fileMegabytes' => 1]);
        ($this->bring)(str_repeat('x', 1024 * 1024))->assertCreated();
        ($this->bring)(str_repeat('x', 1024 * 1024 + 1))->assertStatus(422)->assertJsonValidationErrors('file');
        ($this->bring)('')->assertStatus(422);
        for ($i = 0; $i < 29; $i++) {
            ($this->bring)('x')->assertCreated();
        }
        ($this->bring)('x')->assertStatus(409);
    });

    it('are for those whom the meeting concerns', function (): void {
        $id = ($this->bring)('secret')->json('id');
        $path = "/api/meetings/{$this->meeting->id}/files";
        $own = account(Role::Colleague, $this->corin);
        $this->actingAs($own)->get("$path/$id")->assertNotFound();
        sent($this->meeting);
        $this->get("$path/$id")->assertOk();
        expect($this->getJson($path)->json('files.*.name'))->toBe(['plan.pdf']);
        $this->deleteJson("$path/$id")->assertForbidden();
        $this->actingAs(account(Role::Colleague))->getJson($path)->assertNotFound();
        // Not by way of another meeting.
        $other = meeting($this->wanjiru, [$this->wanjiru->person], $this->when);
        $this->actingAs($this->wanjiru)->get("/api/meetings/$other->id/files/$id")->assertNotFound();
        // On the sheet of a change they are those of the meeting.
        $change = $this->postJson("/api/meetings/{$this->meeting->id}/change")->json('id');
        expect($this->getJson("/api/meetings/$change/files")->json('files'))->toHaveCount(1);
        $this->deleteJson("$path/$id")->assertNoContent();
        expect(DB::table('meeting_file_parts')->count())->toBe(0);
    });
});
