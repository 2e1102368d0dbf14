<?php

declare(strict_types=1);

use App\People\Role;
use App\Planning\LayDown;
use App\Planning\Meeting;
use App\Planning\MeetingStatus;
use App\Planning\Occurrence;
use App\Planning\TopUpOccurrences;
use Illuminate\Support\Facades\DB;

use function Tests\Feature\account;
use function Tests\Feature\colleague;
use function Tests\Feature\guest;
use function Tests\Feature\meeting;
use function Tests\Feature\repeats;
use function Tests\Feature\sent;
use function Tests\Feature\sheet;

beforeEach(function (): void {
    $this->coordinator = account(Role::Coordinator, colleague('Wanjiru Achola'));
    $this->actingAs($this->coordinator);
    $this->meeting = meeting($this->coordinator, [$this->coordinator->person]);
});

it('begins an empty sheet with the coordinator as host, in their zone, tomorrow at the latest', function (): void {
    $made = $this->postJson('/api/meetings')->assertCreated()->json();

    expect($made['zone'])->toBe('Africa/Nairobi')->and($made['hostId'])->toBe($this->coordinator->person_id)->and($made['durationMinutes'])->toBe(30)
        ->and($made['attendees'])->toHaveCount(1)->and($made['startLocal'])->toBeGreaterThan(gmdate('Y-m-d\TH:i:s', time() + 3 * 3600));
});

it('proposes a time at which its host works', function (string $now, string $start): void {
    $this->travelTo($now);

    expect($this->postJson('/api/meetings')->json('startLocal'))->toBe($start);
})->with([
    'the same time of tomorrow' => ['2026-11-25T08:20:00Z', '2026-11-26T12:00:00'],
    'tomorrow is a day off' => ['2026-11-27T08:20:00Z', '2026-11-30T09:00:00'],
    'in the evening' => ['2026-11-25T19:00:00Z', '2026-11-27T09:00:00'],
    'at night' => ['2026-11-24T22:30:00Z', '2026-11-26T09:00:00'],
]);

it('keeps what was written, in its order', function (): void {
    $ines = colleague('Inês Varela', 'Europe/Lisbon');
    $kept = $this->putJson("/api/meetings/{$this->meeting->id}", sheet($this->meeting, [
        'title' => 'Trial review', 'agenda' => [['title' => 'B', 'minutes' => 20, 'speaker' => 'Inês'], ['title' => '', 'minutes' => null, 'speaker' => null], ['title' => 'A', 'minutes' => null, 'speaker' => null]],
        'links' => [['label' => 'Lots', 'url' => 'https://lots.example/1']], 'hostId' => $ines->id,
        'attendees' => [['personId' => $ines->id, 'role' => 'optional'], ['personId' => $this->coordinator->person_id, 'role' => 'required']],
    ]))->assertOk()->json();

    expect(array_column($kept['agenda'], 'title'))->toBe(['B', 'A'])
        ->and(array_map(static fn($a) => [$a['person']['name'], $a['role']], $kept['attendees']))->toBe([['Inês Varela', 'optional'], ['Wanjiru Achola', 'required']])
        ->and($kept['version'])->toBe($this->meeting->version + 1);
});

it('does not let a second window overwrite the first, and hands it what stands there', function (): void {
    $this->putJson("/api/meetings/{$this->meeting->id}", sheet($this->meeting, ['title' => 'First']))->assertOk();
    $this->putJson("/api/meetings/{$this->meeting->id}", sheet($this->meeting, ['title' => 'Second']))
        ->assertStatus(409)->assertJson(['code' => 'changed_elsewhere', 'details' => ['current' => ['title' => 'First']]]);

    expect($this->meeting->refresh()->title)->toBe('First');
});

it('moves a start onto its rule when it keeps the sheet', function (): void {
    $this->putJson("/api/meetings/{$this->meeting->id}", sheet($this->meeting, ['startLocal' => '2027-03-01T09:00:00', 'rule' => repeats(['days' => ['wed']])]))
        ->assertOk()->assertJson(['startLocal' => '2027-03-03T09:00:00', 'rule' => ['by' => 'words', 'every' => 'week', 'days' => ['wed'], 'count' => 4]]);
});

it('refuses what cannot be, names the field and loses nothing', function (array $changes, string $field): void {
    $this->putJson("/api/meetings/{$this->meeting->id}", sheet($this->meeting, $changes))->assertStatus(422)->assertJsonStructure(['code', 'message', 'errors' => [$field]]);

    expect($this->meeting->refresh()->title)->toBe('Grower exchange');
})->with([
    'a day that is none' => [['startLocal' => '2027-02-30T09:00:00'], 'startLocal'],
    'an unknown zone' => [['zone' => 'Mars/Base'], 'zone'],
    'more than a day' => [['durationMinutes' => 1500], 'durationMinutes'],
    'half a day, all day' => [['allDay' => true, 'durationMinutes' => 720], 'durationMinutes'],
    'minutes that are none' => [['durationMinutes' => 7], 'durationMinutes'],
    'weekdays without end' => [['rule' => repeats(['days' => array_fill(0, 1000, 'tue')])], 'rule.days'],
    'neither words nor parts' => [['rule' => [...repeats(), 'by' => 'heart']], 'rule.by'],
    'no word of which it is' => [['rule' => array_diff_key(repeats(), ['by' => 0])], 'rule.by'],
    'no weekday' => [['rule' => repeats(['days' => []])], 'rule.days'],
    'a thousand and one times' => [['rule' => repeats(['count' => 1001])], 'rule.count'],
    'an end before its start' => [['rule' => repeats(['end' => 'until', 'untilOn' => '2020-01-01'])], 'rule'],
    'somebody unknown' => [['attendees' => [['personId' => 'nobody', 'role' => 'required']]], 'attendees.0.personId'],
    'a link that runs a script' => [['links' => [['label' => 'x', 'url' => 'javascript:alert(1)']]], 'links.0.url'],
    'a way to join that is none' => [['joinMode' => 'by_dove'], 'joinMode'],
]);

it('locks a sent meeting, and says so', function (): void {
    $meeting = sent($this->meeting);
    $this->putJson("/api/meetings/$meeting->id", sheet($meeting))->assertStatus(409)->assertJson(['code' => 'locked', 'message' => __('failures.locked_sent')]);
});

it('starts from an earlier meeting: its people, rules and words, on a day that lies ahead', function (): void {
    $this->meeting->update(['starts_local' => '2024-01-02 15:30:00']);
    $this->meeting->agenda()->create(['position' => 0, 'title' => 'Arrivals', 'minutes' => 5]);
    $this->meeting->attendees()->create(['person_id' => guest('rosa@anden.example')->id, 'position' => 1, 'role' => 'optional']);
    $copy = $this->postJson('/api/meetings', ['from' => $this->meeting->id])->assertCreated()->json();

    expect($copy['title'])->toBe('Grower exchange')->and($copy['status'])->toBe('draft')->and($copy['agenda'])->toHaveCount(1)->and($copy['attendees'])->toHaveCount(2)
        ->and($copy['startLocal'])->toBeGreaterThan(now()->format('Y-m-d'))->and(date('D H:i', (int) strtotime($copy['startLocal'])))->toBe('Tue 15:30')
        ->and(Meeting::query()->findOrFail($copy['id'])->uid)->not->toBe($this->meeting->uid);
});

it('keeps without sending: the time is taken, nobody is told', function (): void {
    $this->postJson("/api/meetings/{$this->meeting->id}/keep")->assertOk()->assertJson(['status' => 'kept']);

    expect(Occurrence::query()->where('meeting_id', $this->meeting->id)->count())->toBe(4)->and(DB::table('dispatches')->count())->toBe(0);
    $this->putJson("/api/meetings/{$this->meeting->id}", sheet($this->meeting->refresh(), ['rule' => repeats(['count' => 2])]))->assertOk();
    expect(Occurrence::query()->where('meeting_id', $this->meeting->id)->count())->toBe(2);
});

it('discards a draft', function (): void {
    $this->deleteJson("/api/meetings/{$this->meeting->id}")->assertNoContent();
    $this->getJson("/api/meetings/{$this->meeting->id}")->assertNotFound();
});

describe('LayDown', function (): void {
    it('lays dates down in UTC, each by the clocks of its day, up to the horizon', function (): void {
        $this->travelTo('2027-03-01T00:00:00Z');
        $this->meeting->update(['starts_local' => '2027-03-22 15:30:00', 'zone' => 'Europe/Lisbon', 'rrule' => 'FREQ=WEEKLY', 'status' => MeetingStatus::Kept]);
        app(LayDown::class)->anew($this->meeting);
        $starts = Occurrence::query()->where('meeting_id', $this->meeting->id)->orderBy('starts_at')->get()->map(fn($o) => $o->starts_at->format('m-d H:i'));

        expect($starts->take(2)->all())->toBe(['03-22 15:30', '03-29 14:30'])->and($starts)->toHaveCount(55)
            ->and($this->meeting->refresh()->last_ends_at)->toBeNull()->and($this->meeting->laid_until_on?->format('Y-m-d'))->toBe('2028-04-04');
    });

    it('holds an all-day meeting against the anchor\'s midnights', function (): void {
        $this->meeting->update(['starts_local' => '2027-03-22 00:00:00', 'zone' => 'Pacific/Auckland', 'all_day' => true, 'duration_minutes' => 1440, 'rrule' => null]);
        app(LayDown::class)->anew($this->meeting);

        expect(Occurrence::query()->where('meeting_id', $this->meeting->id)->firstOrFail()->starts_at->format('Y-m-d H:i'))->toBe('2027-03-21 11:00');
    });

    it('tops up as time goes on, and lays down again when zone data change', function (): void {
        $this->meeting->update(['rrule' => 'FREQ=WEEKLY', 'status' => MeetingStatus::Kept]);
        app(LayDown::class)->anew($this->meeting);
        $count = fn(): int => Occurrence::query()->where('meeting_id', $this->meeting->id)->count();
        $before = $count();
        $this->travel(3)->weeks();
        app()->call([new TopUpOccurrences(), 'handle']);
        expect($count())->toBe($before + 3);

        DB::table('meetings')->where('id', $this->meeting->id)->update(['laid_zone_data' => '1999a']);
        DB::table('occurrences')->where('meeting_id', $this->meeting->id)->delete();
        app()->call([new TopUpOccurrences(), 'handle']);
        expect(Occurrence::query()->where('meeting_id', $this->meeting->id)->where('ends_at', '>', now())->count())->toBe($count())->and($count())->toBeGreaterThan($before);
    });

    it('adds only what lies beyond the day to which dates are laid down, and leaves the rest the rows they are', function (): void {
        $this->meeting->update(['rrule' => 'FREQ=WEEKLY', 'status' => MeetingStatus::Kept]);
        app(LayDown::class)->anew($this->meeting);
        $rows = fn(): array => Occurrence::query()->where('meeting_id', $this->meeting->id)->orderBy('starts_at')->pluck('starts_at', 'id')->map(strval(...))->all();
        $before = $rows();
        // A date that was changed by itself stays so.
        DB::table('occurrences')->where('id', array_key_first($before))->update(['ends_at' => '2031-01-01 00:00:00']);
        $this->travel(10)->weeks();
        app(LayDown::class)->further($this->meeting);
        app(LayDown::class)->further($this->meeting);
        $after = $rows();

        expect(array_intersect_key($after, $before))->toBe($before)->and(count($after))->toBe(count($before) + 10)
            ->and((string) Occurrence::query()->findOrFail(array_key_first($before))->ends_at)->toStartWith('2031');
    });

    it('keeps every row that stays, when a kept meeting is edited', function (): void {
        $ines = colleague('Inês Varela');
        $this->meeting->update(['status' => MeetingStatus::Kept]);
        app(LayDown::class)->anew($this->meeting);
        $this->putJson("/api/meetings/{$this->meeting->id}", sheet($this->meeting, ['agenda' => [['title' => 'A', 'minutes' => 5, 'speaker' => null], ['title' => 'B', 'minutes' => 5, 'speaker' => null]], 'attendees' => [['personId' => $ines->id, 'role' => 'required'], ['personId' => $this->coordinator->person_id, 'role' => 'required']]]))->assertOk();
        $ids = fn(string $table): array => DB::table($table)->where('meeting_id', $this->meeting->id)->orderBy('id')->pluck('id')->all();
        [$attendees, $agenda, $dates] = [$ids('attendees'), $ids('agenda_items'), $ids('occurrences')];
        DB::table('attendees')->where('person_id', $ines->id)->update(['partstat' => 'accepted']);
        $this->putJson("/api/meetings/{$this->meeting->id}", sheet($this->meeting->refresh(), [
            'agenda' => [['id' => $agenda[1], 'title' => 'B first', 'minutes' => 5, 'speaker' => null], ['id' => $agenda[0], 'title' => 'A', 'minutes' => 9, 'speaker' => null], ['title' => 'C', 'minutes' => null, 'speaker' => null]],
            'attendees' => [['personId' => $this->coordinator->person_id, 'role' => 'optional'], ['personId' => $ines->id, 'role' => 'required']], 'rule' => repeats(['count' => 6]),
        ]))->assertOk()->assertJsonPath('agenda.0.title', 'B first')->assertJsonPath('agenda.0.id', $agenda[1])->assertJsonPath('attendees.1.partstat', 'accepted');

        expect($ids('attendees'))->toBe($attendees)->and(array_slice($ids('agenda_items'), 0, 2))->toBe($agenda)->and(array_slice($ids('occurrences'), 0, 4))->toBe($dates)->and($ids('occurrences'))->toHaveCount(6);
    });

    it('takes no agenda item of another meeting', function (): void {
        $other = meeting($this->coordinator, [$this->coordinator->person]);
        $item = $other->agenda()->create(['position' => 0, 'title' => 'Theirs']);
        $this->putJson("/api/meetings/{$this->meeting->id}", sheet($this->meeting, ['agenda' => [['id' => $item->id, 'title' => 'Mine', 'minutes' => null, 'speaker' => null]]]))->assertOk();

        expect($item->refresh()->title)->toBe('Theirs')->and($this->meeting->agenda()->firstOrFail()->id)->not->toBe($item->id);
    });

    it('lets days end at the anchor\'s midnight, on days of 23 hours too', function (): void {
        $this->meeting->update(['starts_local' => '2027-03-27 00:00:00', 'zone' => 'Europe/Berlin', 'all_day' => true, 'duration_minutes' => 1440, 'rrule' => 'FREQ=DAILY;COUNT=2']);
        app(LayDown::class)->anew($this->meeting);

        expect(Occurrence::query()->where('meeting_id', $this->meeting->id)->orderBy('starts_at')->get()->map(fn($o) => $o->ends_at->format('m-d H:i'))->all())->toBe(['03-27 23:00', '03-28 22:00'])
            ->and($this->meeting->refresh()->last_ends_at?->format('m-d H:i'))->toBe('03-28 22:00');
    });
});

describe('the list', function (): void {
    it('is searched by title and by people, and filtered', function (string $query, array $titles): void {
        $rosa = guest('rosa@anden.example');
        sent(meeting($this->coordinator, [$this->coordinator->person, $rosa], ['title' => 'Andes call']));
        meeting($this->coordinator, [$this->coordinator->person], ['title' => 'Kept one', 'status' => MeetingStatus::Kept, 'shown_at' => now()->addDay(), 'shown_until' => now()->addDay()->addHour(), 'last_ends_at' => now()->addDay()]);
        sent(meeting($this->coordinator, [$rosa], ['title' => 'Old call']))->update(['last_ends_at' => now()->subDay(), 'shown_at' => now()->subDays(2), 'shown_until' => null]);
        $found = array_column($this->getJson("/api/meetings?$query")->assertOk()->json('meetings'), 'title');
        sort($found);

        expect($found)->toBe($titles);
    })->with([
        'all' => ['', ['Andes call', 'Grower exchange', 'Kept one', 'Old call']],
        'a word of the title' => ['q=andes', ['Andes call']],
        'somebody in it' => ['q=rosa', ['Andes call', 'Old call']],
        'two words' => ['q=rosa+old', ['Old call']],
        'coming up' => ['which=ahead', ['Andes call', 'Kept one']],
        'not sent' => ['which=drafts', ['Grower exchange', 'Kept one']],
        'over' => ['which=over', ['Old call']],
        'a wild card is a letter' => ['q=%25', []],
    ]);

    it('stands in the order of its dates, and moves on when one has ended', function (): void {
        $this->travelTo('2027-03-01 09:00');
        $daily = sent(meeting($this->coordinator, [$this->coordinator->person], ['title' => 'Daily', 'starts_local' => '2027-03-02 10:00:00', 'rrule' => 'FREQ=DAILY;COUNT=2']));
        sent(meeting($this->coordinator, [$this->coordinator->person], ['title' => 'Weekly', 'starts_local' => '2027-03-01 15:00:00', 'rrule' => 'FREQ=WEEKLY;COUNT=4']));
        $listed = fn(): array => array_map(static fn(array $m): string => $m['title'] . ' ' . $m['shownLocal'], $this->getJson('/api/meetings?which=ahead')->json('meetings'));

        expect($listed())->toBe(['Weekly 2027-03-01T15:00:00', 'Daily 2027-03-02T10:00:00']);
        $this->travelTo('2027-03-02 12:00');
        expect($listed())->toBe(['Daily 2027-03-03T10:00:00', 'Weekly 2027-03-08T15:00:00']);
        $this->travelTo('2027-03-03 12:00');
        expect($listed())->toBe(['Weekly 2027-03-08T15:00:00'])->and($daily->refresh()->shown_until)->toBeNull()
            ->and(array_column($this->getJson('/api/meetings?which=over')->json('meetings'), 'title'))->toBe(['Daily']);
    });

    it('shows colleagues what they were told of, and nothing else', function (): void {
        $ines = account(Role::Colleague, colleague('Inês Varela'));
        sent(meeting($this->coordinator, [$ines->person], ['title' => 'With Inês']));
        meeting($this->coordinator, [$ines->person], ['title' => 'Draft with Inês']);
        sent(meeting($this->coordinator, [$this->coordinator->person], ['title' => 'Without']));

        expect(array_column($this->actingAs($ines)->getJson('/api/meetings')->json('meetings'), 'title'))->toBe(['With Inês']);
    });
});

it('lists what begins further ahead than dates are laid down, and moves it on once they are', function (): void {
    $far = meeting($this->coordinator, [$this->coordinator->person], ['title' => 'In three years', 'rrule' => null, 'starts_local' => now()->addYears(3)->format('Y-m-d 10:00:00')]);
    $this->postJson("/api/meetings/{$far->id}/keep")->assertOk();
    $ahead = fn(): array => array_column($this->getJson('/api/meetings?which=ahead')->json('meetings'), 'id');
    expect($ahead())->toContain($far->id)->and($far->occurrences()->count())->toBe(0);

    $this->travel(1000)->days();
    $this->artisan('occurrences:top-up')->assertSuccessful();
    expect($ahead())->toContain($far->id)->and($far->occurrences()->count())->toBe(1);

    $this->travel(100)->days();
    expect($ahead())->not->toContain($far->id);
});

it('lets drafts that nobody touched vanish, and discards several at once', function (): void {
    $blank = $this->postJson('/api/meetings')->assertCreated()->json('id');
    $titled = meeting($this->coordinator, [$this->coordinator->person], ['title' => 'Begun']);
    $sent = sent(meeting($this->coordinator, [$this->coordinator->person], ['title' => 'Told']));
    expect(array_column($this->getJson('/api/meetings?which=drafts')->json('meetings'), 'id'))->toContain($titled->id)->not->toContain($blank)
        ->and(array_column($this->getJson('/api/today')->json('needs'), 'meetingId'))->not->toContain($blank);

    dispatch_sync(new App\Planning\DiscardUntouched());
    expect(Meeting::query()->find($blank))->not->toBeNull();
    $this->travel(25)->hours();
    dispatch_sync(new App\Planning\DiscardUntouched());
    expect(Meeting::query()->find($blank))->toBeNull()->and(Meeting::query()->find($titled->id))->not->toBeNull();

    $this->postJson('/api/meetings/discard', ['ids' => [$titled->id, $sent->id, 'no-such-meeting']])->assertOk()->assertJson(['discarded' => 1]);
    expect(Meeting::query()->find($titled->id))->toBeNull()->and(Meeting::query()->find($sent->id))->not->toBeNull();
});

it('finds the people of an earlier meeting by its title, the latest of one title', function (): void {
    $coordinator = account(Role::Coordinator, colleague('Coordinating Person'));
    $this->actingAs($coordinator);
    $old = meeting($coordinator, [colleague('Old Hand')], ['title' => 'Moss walk', 'shown_at' => '2026-01-01 10:00:00']);
    $new = meeting($coordinator, [colleague('New Hand'), guest('rosa@far.example')], ['title' => 'Moss walk', 'shown_at' => '2026-06-01 10:00:00']);
    meeting($coordinator, [colleague('Elsewhere')], ['title' => 'Fern walk']);
    $asked = fn(string $q, string $not = ''): array => array_map(static fn(array $m): array => [$m['title'], array_map(static fn(array $p): string => $p['name'] ?? $p['email'], $m['people'])], $this->getJson('/api/people/of-meetings?' . http_build_query(['q' => $q, 'not' => $not]))->assertOk()->json());

    expect($asked('moss'))->toBe([['Moss walk', ['New Hand', 'rosa@far.example']]])->and($asked('walk mo', $new->id))->toBe([['Moss walk', ['Old Hand']]])
        ->and($asked('oss'))->toBe([])->and(count($asked('walk')))->toBe(2)->and($asked('%'))->toBe([])->and($old->exists)->toBeTrue();
});
