<?php

declare(strict_types=1);

use App\HouseRules\HouseRules;
use App\Import\PeopleImport;
use App\Invitations\Dispatch;
use App\Joining\JoiningKit;
use App\Joining\SettleUnsure;
use App\People\Person;
use App\People\Role;
use App\People\SetCalendar;
use App\People\Team;
use App\Planning\Blueprint;
use App\Planning\Meeting;
use App\Planning\MeetingStatus;
use App\Planning\Occurrence;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;

use function Tests\Feature\account;

use function Tests\Feature\colleague;
use function Tests\Feature\delivered;
use function Tests\Feature\guest;
use function Tests\Feature\kit;
use function Tests\Feature\mailTo;
use function Tests\Feature\meeting;
use function Tests\Feature\noRoom;
use function Tests\Feature\sent;
use function Tests\Feature\sheet;

use ZBateson\MailMimeParser\Message;

/*
 * Two requests at once, each in a process and with a database connection of its own. What they write is seen by both and taken
 * away at the end. Whatever the order turns out to be, one wins, the other is told, and nothing is half.
 */

beforeEach(function (): void {
    while (DB::transactionLevel() > 0) {
        DB::rollBack();
    }
    $this->coordinator = account(Role::Coordinator, colleague('Wanjiru Achola'));
    $this->guests = array_map(fn(int $i) => guest("g$i@orchard.example"), range(1, 40));
    $this->planned = fn(array $values = []): Meeting => meeting($this->coordinator, [$this->coordinator->person, ...$this->guests], ['join_mode' => 'in_person', 'place' => 'Room 3', ...$values]);
    /** @return list<array{status: int, body: array<string, mixed>}> */
    $this->atOnce = function (array ...$requests): array {
        $start = (string) (microtime(true) + 0.6);
        $running = array_map(function (array $request) use ($start): array {
            $process = proc_open([PHP_BINARY, '-d', 'pcov.enabled=0', base_path('tests/Feature/Support/one_request.php'), $this->coordinator->id, $start, ...array_map(strval(...), $request)], [1 => ['pipe', 'w'], 2 => ['pipe', 'w']], $pipes, null, [...getenv(), 'DB_DATABASE' => 'syndex_feature']);

            return [$process, $pipes];
        }, $requests);

        return array_map(function (array $run): array {
            [$process, $pipes] = $run;
            $out = (string) stream_get_contents($pipes[1]);
            $said = (string) stream_get_contents($pipes[2]);
            proc_close($process);
            $answer = json_decode($out, true);
            expect($answer)->toBeArray("$out $said");

            return $answer;
        }, $running);
    };
    $this->statuses = fn(array $answers): array => array_column($answers, 'status');
});

afterEach(function (): void {
    DB::table('teams')->update(['parent_id' => null]);
    foreach (['dispatches', 'meeting_snapshots', 'occurrences', 'attendees', 'agenda_items', 'joining_kits', 'meetings', 'jobs', 'found_clashes', 'busy_times', 'calendars', 'person_words', 'person_search', 'team_members', 'teams', 'people_imports', 'forgotten_people', 'accounts', 'people'] as $table) {
        DB::table($table)->delete();
    }
});

it('sends once when sending is pressed twice', function (): void {
    for ($round = 0; $round < 4; $round++) {
        $meeting = ($this->planned)();
        $send = ['POST', "/api/meetings/$meeting->id/send", json_encode(['version' => $meeting->version])];
        $statuses = ($this->statuses)(($this->atOnce)($send, $send));
        sort($statuses);

        expect($statuses)->toBe([200, 409])->and(Dispatch::query()->where('meeting_id', $meeting->id)->count())->toBe(41)->and(DB::table('meeting_snapshots')->where('meeting_id', $meeting->id)->count())->toBe(1);
    }
});

it('sends two meetings to the same people at once, without a deadlock', function (): void {
    for ($round = 0; $round < 4; $round++) {
        [$a, $b] = [($this->planned)(), ($this->planned)()];
        $answers = ($this->atOnce)(...array_map(fn(Meeting $m): array => ['POST', "/api/meetings/$m->id/send", json_encode(['version' => $m->version])], [$a, $b]));

        expect(($this->statuses)($answers))->toBe([200, 200]);
    }
});

it('lets discarding and sending meet: either it is gone and nobody hears of it, or it is sent and stays', function (): void {
    for ($round = 0; $round < 6; $round++) {
        $meeting = ($this->planned)();
        [$discard, $send] = ($this->atOnce)(['DELETE', "/api/meetings/$meeting->id", '{}'], ['POST', "/api/meetings/$meeting->id/send", json_encode(['version' => $meeting->version])]);
        $isThere = Meeting::query()->whereKey($meeting->id)->exists();
        $told = Dispatch::query()->where('uid', $meeting->uid)->count();

        expect([$discard['status'], $send['status'], $isThere, $told])->toBeIn([[204, 404, false, 0], [409, 200, true, 41]]);
    }
});

it('lets an edit and a sending meet: what is told is what stands there', function (): void {
    for ($round = 0; $round < 4; $round++) {
        $meeting = ($this->planned)();
        $body = [
            'version' => $meeting->version, 'title' => 'Edited', 'purpose' => 'x', 'agenda' => [], 'links' => [], 'attendees' => [['personId' => $this->coordinator->person_id, 'role' => 'required']], 'hostId' => null,
            'startLocal' => $meeting->starts_local->format('Y-m-d\TH:i:s'), 'zone' => $meeting->zone, 'allDay' => false, 'durationMinutes' => 30, 'rule' => null, 'dropped' => [], 'joinMode' => 'in_person', 'place' => 'Room 4',
        ];
        [$edit, $send] = ($this->atOnce)(['PUT', "/api/meetings/$meeting->id", json_encode($body)], ['POST', "/api/meetings/$meeting->id/send", json_encode(['version' => $meeting->version])]);
        $now = $meeting->refresh();

        expect([$edit['status'], $send['status'], $now->title, $now->attendees()->count(), Dispatch::query()->where('meeting_id', $now->id)->count()])->toBeIn([[200, 409, 'Edited', 1, 0], [409, 200, 'Grower exchange', 41, 41]]);
    }
});

it('lets two edits meet: one is kept whole, the other is handed what stands there', function (): void {
    $meeting = ($this->planned)();
    $body = fn(string $title): string => (string) json_encode([
        'version' => $meeting->version, 'title' => $title, 'purpose' => $title, 'agenda' => [['title' => $title, 'minutes' => 5, 'speaker' => null]], 'links' => [], 'attendees' => [], 'hostId' => null,
        'startLocal' => '2027-03-02T09:00:00', 'zone' => 'UTC', 'allDay' => false, 'durationMinutes' => 30, 'rule' => null, 'dropped' => [], 'joinMode' => 'undecided', 'place' => '',
    ]);
    $answers = ($this->atOnce)(['PUT', "/api/meetings/$meeting->id", $body('One')], ['PUT', "/api/meetings/$meeting->id", $body('Two')]);
    $statuses = ($this->statuses)($answers);
    $now = $meeting->refresh();
    sort($statuses);

    expect($statuses)->toBe([200, 409])->and($now->purpose)->toBe($now->title)->and($now->agenda()->pluck('title')->all())->toBe([$now->title]);
});

it('opens one room when a kit is asked for twice at once', function (): void {
    for ($round = 0; $round < 3; $round++) {
        $meeting = ($this->planned)();
        $answers = ($this->atOnce)(['POST', "/api/meetings/$meeting->id/kit", '{}'], ['POST', "/api/meetings/$meeting->id/kit", '{}']);
        $statuses = ($this->statuses)($answers);
        sort($statuses);

        expect($statuses)->toBe([200, 201])->and($answers[0]['body']['link'])->toBe($answers[1]['body']['link'])->and($answers[0]['body']['passcode'])->toBe($answers[1]['body']['passcode'])
            ->and(JoiningKit::query()->where('meeting_id', $meeting->id)->count())->toBe(1);
    }
});

it('opens one lasting room when two meetings ask for it at once, and the bridge holds what is kept', function (): void {
    for ($round = 0; $round < 3; $round++) {
        $host = colleague('Host ' . $round);
        [$one, $two] = array_map(function () use ($host): Meeting {
            $meeting = ($this->planned)();
            $meeting->update(['host_id' => $host->id, 'room' => [...noRoom(), 'standing' => true]]);

            return $meeting;
        }, [1, 2]);
        $answers = ($this->atOnce)(['POST', "/api/meetings/$one->id/kit", '{}'], ['POST', "/api/meetings/$two->id/kit", '{}']);
        $room = Http::withToken(config('syndex.bridge.key'))->get(config('syndex.bridge.url') . '/rooms/meeting-' . strtolower($host->id))->json();

        expect(max(($this->statuses)($answers)))->toBeLessThan(300)->and($answers[0]['body']['passcode'])->toBe($answers[1]['body']['passcode'])
            ->and($room['open_link'])->toBe(JoiningKit::query()->where('room_id', $host->id)->firstOrFail()->open_link);
    }
});

it('never lets a mail say one passcode and the kit another', function (): void {
    $meeting = ($this->planned)();
    ($this->atOnce)(['POST', "/api/meetings/$meeting->id/kit", '{}']);
    $meeting->update(['join_mode' => 'online']);
    [$change, $send] = ($this->atOnce)(['POST', "/api/meetings/$meeting->id/kit", json_encode(['passcode' => 'Saatgut7'])], ['POST', "/api/meetings/$meeting->id/send", json_encode(['version' => $meeting->refresh()->version])]);
    if ($send['status'] !== 200) {
        // It came while the bridge was being asked: what holds was not sure then, and is now.
        expect($send['body']['details']['missing'] ?? [])->toContain('kit_unsettled')->and(App\Invitations\Snapshot::query()->where('meeting_id', $meeting->id)->exists())->toBeFalse();
        [$send] = ($this->atOnce)(['POST', "/api/meetings/$meeting->id/send", json_encode(['version' => $meeting->refresh()->version])]);
    }
    $kit = JoiningKit::query()->where('meeting_id', $meeting->id)->firstOrFail();
    $snapshot = json_decode((string) App\Invitations\Snapshot::query()->where('meeting_id', $meeting->id)->firstOrFail()->content, true);
    $room = Http::withToken(config('syndex.bridge.key'))->get(config('syndex.bridge.url') . "/rooms/meeting-$meeting->id")->json();

    expect($send['status'])->toBe(200)->and($snapshot['kit']['passcode'])->toBe($kit->passcode)->and($change['status'])->toBeIn([200, 409])->and($room['closed'])->toBeFalse();
});

it('finds out what holds where a process is killed between the answer of the bridge and its own writing', function (string $path, array $body, array $planned): void {
    $meeting = ($this->planned)();
    ($this->atOnce)(['POST', "/api/meetings/$meeting->id/kit", '{}']);
    $meeting->update(['join_mode' => 'online', ...$planned]);
    $bridge = fn(string $method, string $path, array $body = []) => Http::withToken(config('syndex.bridge.key'))->send($method, config('syndex.bridge.url') . $path, ['json' => $body])->throw()->json();
    $told = fn(): string => $bridge('GET', "/rooms/meeting-$meeting->id")['open_link'];
    $kit = JoiningKit::query()->where('meeting_id', $meeting->id)->firstOrFail();
    expect($told())->toBe($kit->open_link);
    $bridge('PUT', '/faults', ['lateMs' => 3000]);
    $process = proc_open([PHP_BINARY, '-d', 'pcov.enabled=0', base_path('tests/Feature/Support/one_request.php'), $this->coordinator->id, '0', 'POST', "/api/meetings/$meeting->id/$path", json_encode($body)], [1 => ['pipe', 'w'], 2 => ['pipe', 'w']], $pipes, null, [...getenv(), 'DB_DATABASE' => 'syndex_feature']);
    $rooms = getenv('SYNDEX_VAR') . '/bridge/rooms.json';
    $until = microtime(true) + 20;
    while (str_contains((string) file_get_contents($rooms), "\"$kit->passcode\"") && microtime(true) < $until) {
        usleep(20_000);
    }
    proc_terminate($process, SIGKILL);
    proc_close($process);
    $bridge('PUT', '/faults');

    expect($told())->not->toBe($kit->open_link)
        ->and($kit->refresh()->unsettled_at)->not->toBeNull()
        ->and($this->actingAs($this->coordinator)->getJson("/api/meetings/$meeting->id")->json('kit'))->toMatchArray(['settled' => false, 'passcode' => $kit->passcode]);
    $this->travel(2)->minutes();
    app()->call([new SettleUnsure(), 'handle']);
    expect($told())->toBe($kit->refresh()->open_link)->and($kit->unsettled_at)->toBeNull();
})->with([
    'another passcode' => ['kit', ['change' => true], []],
    'made anew, as it got about' => ['kit/anew', ['what' => ['passcode']], ['status' => 'sent', 'starts_local' => '2030-01-08 15:30:00']],
]);

it('lets topping up and calling off, sending or editing meet', function (string $other): void {
    $meeting = ($this->planned)(['rrule' => 'FREQ=WEEKLY']);
    if ($other === 'call-off') {
        ($this->atOnce)(['POST', "/api/meetings/$meeting->id/send", json_encode(['version' => $meeting->version])]);
        DB::table('meetings')->where('id', $meeting->id)->update(['laid_until_on' => now()->addDays(200)->format('Y-m-d')]);
    } else {
        $meeting->update(['status' => MeetingStatus::Kept, 'laid_until_on' => now()->addDays(200)->format('Y-m-d'), 'laid_zone_data' => app(Syndex\Core\Time\ZoneData::class)->version()]);
    }
    $meeting->refresh();
    $answers = ($this->atOnce)(['artisan', 'occurrences:top-up', ''], ['POST', "/api/meetings/$meeting->id/$other", json_encode(['version' => $meeting->version])]);
    $dates = Occurrence::query()->where('meeting_id', $meeting->id)->pluck('starts_local')->map(strval(...));

    expect(($this->statuses)($answers))->toBe([0, 200])->and($dates->unique()->count())->toBe($dates->count());
})->with(['call-off', 'send', 'keep']);

it('lets calling off and sending again meet: nobody is invited to what is off', function (): void {
    $meeting = ($this->planned)();
    ($this->atOnce)(['POST', "/api/meetings/$meeting->id/send", json_encode(['version' => $meeting->version])]);
    Dispatch::query()->where('meeting_id', $meeting->id)->update(['state' => 'given_up', 'attempted_at' => now()]);
    [$off] = ($this->atOnce)(['POST', "/api/meetings/$meeting->id/call-off", '{}'], ['POST', '/api/dispatches/again', json_encode(['meeting' => $meeting->id])]);

    expect($off['status'])->toBe(200)->and(Dispatch::query()->where('meeting_id', $meeting->id)->where('kind', 'invitation')->whereIn('state', ['waiting', 'sending'])->count())->toBe(0)
        ->and(Dispatch::query()->where('meeting_id', $meeting->id)->where('kind', 'calling_off')->count())->toBe(41);
});

describe('a change of what was sent', function (): void {
    beforeEach(function (): void {
        $this->told = function (): Meeting {
            $meeting = app(App\Invitations\SendMeeting::class)($planned = ($this->planned)(), $planned->version);
            Dispatch::query()->where('meeting_id', $meeting->id)->update(['state' => 'sent', 'attempted_at' => now(), 'sent_at' => now()]);

            return $meeting;
        };
        $this->changed = function (Meeting $meeting): Meeting {
            $sheet = app(App\Planning\ChangeOf::class)->begin($meeting, $this->coordinator);
            $sheet->update(['place' => 'Hall 2', 'version' => $sheet->version + 1]);

            return $sheet->refresh();
        };
        $this->send = fn(Meeting $sheet): array => ['POST', "/api/meetings/$sheet->id/send", json_encode(['version' => $sheet->version])];
        $this->waiting = fn(Meeting $meeting): array => Dispatch::query()->where('meeting_id', $meeting->id)->where('state', 'waiting')->selectRaw('kind, count(*) as n')->groupBy('kind')->orderBy('kind')->pluck('n', 'kind')->all();
    });

    it('is one sheet when it is begun twice', function (): void {
        $meeting = ($this->told)();
        $answers = ($this->atOnce)(['POST', "/api/meetings/$meeting->id/change", '{}'], ['POST', "/api/meetings/$meeting->id/change", '{}']);

        expect(($this->statuses)($answers))->toBe([201, 201])->and($answers[0]['body']['id'])->toBe($answers[1]['body']['id'])->and(Meeting::query()->where('changes_id', $meeting->id)->count())->toBe(1);
    });

    it('is sent once when sending is pressed twice', function (): void {
        for ($round = 0; $round < 3; $round++) {
            $meeting = ($this->told)();
            $send = ($this->send)(($this->changed)($meeting));
            $statuses = ($this->statuses)(($this->atOnce)($send, $send));
            sort($statuses);

            expect($statuses)->toBe([200, 404])->and(($this->waiting)($meeting))->toBe(['change' => 41])->and($meeting->refresh()->sequence)->toBe(1);
        }
    });

    it('meets a calling-off: either it is off, or changed and then off, and everybody hears that', function (): void {
        for ($round = 0; $round < 5; $round++) {
            $meeting = ($this->told)();
            [$send, $off] = ($this->atOnce)(($this->send)(($this->changed)($meeting)), ['POST', "/api/meetings/$meeting->id/call-off", '{}']);

            expect([$send['status'], $off['status'], $meeting->refresh()->status, ($this->waiting)($meeting)])->toBeIn([[404, 200, MeetingStatus::CalledOff, ['calling_off' => 41]], [409, 200, MeetingStatus::CalledOff, ['calling_off' => 41]], [200, 200, MeetingStatus::CalledOff, ['calling_off' => 41]]])
                ->and(Meeting::query()->where('changes_id', $meeting->id)->exists())->toBeFalse();
        }
    });

    it('cuts a series once when sending is pressed twice', function (): void {
        for ($round = 0; $round < 3; $round++) {
            $meeting = ($this->told)();
            $second = Occurrence::query()->where('meeting_id', $meeting->id)->orderBy('starts_at')->skip(1)->firstOrFail()->date_local;
            $sheet = app(App\Planning\ChangeOf::class)->from($meeting, Syndex\Core\Time\WallTime::parse($second->format('Y-m-d\TH:i:s')), $this->coordinator);
            $sheet->update(['place' => 'Hall 2', 'version' => $sheet->version + 1]);
            $send = ($this->send)($sheet->refresh());
            $statuses = ($this->statuses)(($this->atOnce)($send, $send));
            sort($statuses);

            // The second finds no sheet any more, but a meeting that was sent.
            expect($statuses[0])->toBe(200)->and($statuses[1])->toBeIn([404, 409])
                ->and(Meeting::query()->where('split_from_id', $meeting->id)->count())->toBe(1)
                ->and(($this->waiting)($meeting))->toBe(['change' => 41])->and(($this->waiting)($sheet))->toBe(['invitation' => 41]);
        }
    });

    it('is there or is not there when its process is killed in the middle of it', function (): void {
        $halves = ['sent' => 0, 'not sent' => 0];
        for ($round = 0; $round < 12; $round++) {
            $meeting = ($this->told)();
            $sheet = ($this->changed)($meeting);
            $start = microtime(true) + 0.6;
            $process = proc_open([PHP_BINARY, '-d', 'pcov.enabled=0', base_path('tests/Feature/Support/one_request.php'), $this->coordinator->id, (string) $start, ...($this->send)($sheet)], [1 => ['file', '/dev/null', 'w'], 2 => ['file', '/dev/null', 'w']], $pipes, null, [...getenv(), 'DB_DATABASE' => 'syndex_feature']);
            usleep(max(0, (int) (($start - microtime(true)) * 1e6) + $round * 12_000));
            proc_terminate($process, SIGKILL);
            proc_close($process);
            // The database gives up what its client left open.
            usleep(300_000);

            $isSent = !Meeting::query()->whereKey($sheet->id)->exists();
            $halves[$isSent ? 'sent' : 'not sent']++;
            expect([$meeting->refresh()->place, ($this->waiting)($meeting)])->toBe($isSent ? ['Hall 2', ['change' => 41]] : ['Room 3', []]);
        }
        expect($halves['not sent'])->toBeGreaterThan(0);
    });

    it('meets its taking back, and its discarding: nothing is half', function (): void {
        for ($round = 0; $round < 4; $round++) {
            $meeting = ($this->told)();
            $sheet = ($this->changed)($meeting);
            [$send, $discard] = ($this->atOnce)(($this->send)($sheet), ['DELETE', "/api/meetings/$sheet->id", '{}']);
            $isSent = $send['status'] === 200;
            expect([$send['status'], $discard['status']])->toBeIn([[200, 404], [404, 204]])
                ->and([$meeting->refresh()->place, ($this->waiting)($meeting)])->toBe($isSent ? ['Hall 2', ['change' => 41]] : ['Room 3', []]);
            if ($isSent) {
                $statuses = ($this->statuses)(($this->atOnce)(['POST', "/api/meetings/$meeting->id/take-back", '{}'], ['POST', "/api/meetings/$meeting->id/take-back", '{}']));
                sort($statuses);
                // The second finds the sending itself before it, all of which has left.
                expect($statuses)->toBe([200, 409])->and([$meeting->refresh()->place, ($this->waiting)($meeting), Meeting::query()->where('changes_id', $meeting->id)->count()])->toBe(['Room 3', [], 1]);
            }
        }
    });
});

it('lets two mergers meet that would each swallow the other: one is done, nobody is lost', function (): void {
    for ($round = 0; $round < 4; $round++) {
        [$a, $b] = [guest("a$round@far.example"), guest("b$round@far.example")];
        $meeting = meeting($this->coordinator, [$this->coordinator->person, $a, $b], ['join_mode' => 'in_person', 'place' => 'Room 3']);
        $answers = ($this->atOnce)(['POST', "/api/people/$a->id/merge", json_encode(['into' => $b->id])], ['POST', "/api/people/$b->id/merge", json_encode(['into' => $a->id])]);
        $left = Person::query()->whereIn('id', [$a->id, $b->id])->pluck('id')->all();

        expect(count($left))->toBe(1)->and(($this->statuses)($answers))->toContain(200)
            ->and($meeting->attendees()->whereIn('person_id', $left)->count())->toBe(1)->and($meeting->attendees()->count())->toBe(2);
    }
});

it('lets sending and forgetting meet: who is told is not forgotten, who is forgotten is not told', function (): void {
    for ($round = 0; $round < 4; $round++) {
        $rosa = guest("rosa$round@far.example");
        $meeting = meeting($this->coordinator, [$this->coordinator->person, $rosa], ['join_mode' => 'in_person', 'place' => 'Room 3']);
        [$send, $forget] = ($this->atOnce)(['POST', "/api/meetings/$meeting->id/send", json_encode(['version' => $meeting->version])], ['POST', "/api/people/$rosa->id/forget", '{}']);
        $isForgotten = $rosa->refresh()->forgotten_at !== null;
        $told = Dispatch::query()->where('meeting_id', $meeting->id)->where('person_id', $rosa->id)->count();

        expect([$send['status'], $forget['status'], $isForgotten, $told])->toBeIn([[200, 409, false, 1], [409, 204, true, 0], [200, 204, true, 0]]);
    }
});

it('makes no ring of teams that are put into each other at once', function (): void {
    for ($round = 0; $round < 4; $round++) {
        [$a, $b] = array_map(static fn(string $name): Team => Team::query()->create(['name' => "$name $round", 'name_key' => "$name $round"]), ['a', 'b']);
        $answers = ($this->atOnce)(['PATCH', "/api/teams/$a->id", json_encode(['parentId' => $b->id])], ['PATCH', "/api/teams/$b->id", json_encode(['parentId' => $a->id])]);
        $statuses = ($this->statuses)($answers);
        sort($statuses);

        expect($statuses)->toBe([200, 422])->and(Team::query()->whereIn('id', [$a->id, $b->id])->whereNull('parent_id')->count())->toBe(1);
    }
});

it('takes a list of people once when it is pressed twice', function (): void {
    $import = PeopleImport::query()->create(['account_id' => $this->coordinator->id, 'name' => 'a.csv', 'kind' => 'csv', 'state' => 'looked', 'content' => base64_encode("email\nnew@garden.example\n"), 'mapping' => ['email' => 0]]);
    $start = ['POST', "/api/people-imports/$import->id/start", '{}'];
    $statuses = ($this->statuses)(($this->atOnce)($start, $start));
    sort($statuses);

    expect($statuses)->toBe([200, 409])->and(DB::table('jobs')->count())->toBe(1);
});

it('reads a feed while a coordinator edits, and neither hinders the other', function (): void {
    app(HouseRules::class)->set(['feedHosts' => [parse_url((string) config('syndex.calendars.url'), PHP_URL_HOST) . ':' . parse_url((string) config('syndex.calendars.url'), PHP_URL_PORT)]]);
    $corin = colleague('Corin Hale');
    app(SetCalendar::class)->feed($corin, config('syndex.calendars.url') . '/feeds/race.ics');
    for ($round = 0; $round < 3; $round++) {
        DB::table('calendars')->update(['laid_at' => null]);
        $meeting = meeting($this->coordinator, [$this->coordinator->person, $corin], ['join_mode' => 'in_person', 'place' => 'Room 3', 'status' => 'kept']);
        $body = sheet($meeting, ['title' => "Edited $round"]);
        $answers = ($this->atOnce)(['POST', "/api/people/$corin->id/calendar/read", '{}'], ['PUT', "/api/meetings/$meeting->id", json_encode($body)], ['POST', '/api/board', json_encode([...$body, 'index' => 0])]);

        expect(($this->statuses)($answers))->toBe([200, 200, 200])->and($answers[0]['body']['calendar']['state'])->toBe('ok')
            ->and($meeting->refresh()->title)->toBe("Edited $round")->and(DB::table('busy_times')->count())->toBe($answers[0]['body']['calendar']['events']);
    }
    DB::table('house_rules')->delete();
});

it('lets offers, answers and their end meet: one round, one time, no answer half', function (): void {
    $rosa = $this->guests[0];
    $begin = function () use ($rosa): array {
        $meeting = ($this->planned)();
        $times = [$meeting->starts_local->format('Y-m-d\TH:i:s'), $meeting->starts_local->addHours(2)->format('Y-m-d\TH:i:s')];

        return [$meeting, ['POST', "/api/meetings/$meeting->id/offer", json_encode(['times' => $times, 'guests' => [$rosa->id], 'untilOn' => null, 'words' => null])]];
    };
    $link = function () use ($rosa): string {
        preg_match('#/g/(\w+)#', (string) Message::from((string) Dispatch::query()->where('recipient', $rosa->email)->orderByDesc('id')->firstOrFail()->mail, false)->getTextContent(), $m);

        return $m[1] ?? '';
    };
    [$meeting, $offer] = $begin();
    $statuses = ($this->statuses)(($this->atOnce)($offer, $offer));
    sort($statuses);
    expect($statuses)->toBe([201, 409])->and(DB::table('time_offers')->count())->toBe(1)->and(Dispatch::query()->count())->toBe(1);

    for ($round = 0; $round < 4; $round++) {
        [$first, $second] = DB::table('offered_times')->join('time_offers', 'time_offers.id', '=', 'offered_times.time_offer_id')->where('meeting_id', $meeting->id)->orderBy('starts_at')->pluck('offered_times.id')->all();
        $token = $link();
        $answer = static fn(string $reply): array => ['PUT', '/api/guest/offer', json_encode(['replies' => [['time' => $first, 'reply' => $reply], ['time' => $second, 'reply' => $reply]], 'zone' => 'America/Lima', 'zoneSaid' => true, 'comment' => $reply]), $token];
        $take = static fn(int $time): array => ['POST', "/api/meetings/$meeting->id/offer/take", json_encode(['time' => $time, 'version' => $meeting->version])];

        // Two answers at once: one after the other, each whole.
        expect(($this->statuses)(($this->atOnce)($answer('accepted'), $answer('declined'))))->toBe([200, 200])
            ->and(DB::table('offer_answers')->whereIn('offered_time_id', [$first, $second])->pluck('reply')->unique()->values()->all())->toBe([DB::table('asked_guests')->orderByDesc('id')->value('comment')]);
        // Taken twice, answered and withdrawn at once: it is taken once and sent, or withdrawn; an answer counts or is told that it is over.
        [$one, $two, $late, $withdrawn] = ($this->statuses)(($this->atOnce)($take($first), $take($second), $answer('tentative'), ['DELETE', "/api/meetings/$meeting->id/offer", '{}']));
        $isSent = $meeting->refresh()->status === MeetingStatus::Sent;
        $state = DB::table('time_offers')->where('meeting_id', $meeting->id)->value('state');
        expect(count(array_keys([$one, $two], 200, true)))->toBe($isSent ? 1 : 0)
            ->and($withdrawn)->toBe($isSent ? 409 : 204)->and($state)->toBe($isSent ? 'taken' : 'called_off')
            ->and($late)->toBeIn([200, 409])
            ->and(Dispatch::query()->where('meeting_id', $meeting->id)->where('kind', 'invitation')->count())->toBe($isSent ? 41 : 0);
        [$meeting, $offer] = $begin();
        expect(($this->statuses)(($this->atOnce)($offer)))->toBe([201]);
    }
});

it('tells of a kit that was made anew once, however often it is pressed, and never of an old one as new', function (): void {
    for ($round = 0; $round < 3; $round++) {
        $meeting = meeting($this->coordinator, [$this->coordinator->person, guest("k$round@far.example")], ['join_mode' => 'online', 'rrule' => null]);
        kit($meeting);
        $meeting = sent($meeting->refresh());
        delivered($meeting);
        $this->actingAs($this->coordinator)->postJson("/api/meetings/$meeting->id/kit/anew", ['what' => ['passcode']])->assertOk();
        $tell = ['POST', "/api/meetings/$meeting->id/kit/tell", '{}'];
        [$first, $second, $anew] = ($this->atOnce)($tell, $tell, ['POST', "/api/meetings/$meeting->id/kit/anew", json_encode(['what' => ['pin']])]);
        $pin = JoiningKit::query()->where('meeting_id', $meeting->id)->firstOrFail()->pin;
        $mail = (string) mailTo("k$round@far.example")->getTextContent();

        // Who is told twice is told of two things; what stands in the last mail holds, or the meeting is marked.
        expect([$first['status'], $second['status'], $anew['status']])->toBe([200, 200, 200])
            ->and(str_contains($mail, $pin) || $meeting->refresh()->kit_stale_at !== null)->toBeTrue()
            ->and(Dispatch::query()->where('meeting_id', $meeting->id)->where('state', 'waiting')->where('recipient', "k$round@far.example")->count())->toBe(1);
    }
});

it('keeps one of two blueprints of one name that are kept at once', function (): void {
    $meeting = ($this->planned)();
    for ($round = 0; $round < 3; $round++) {
        $keep = ['POST', '/api/blueprints', json_encode(['meetingId' => $meeting->id, 'name' => "Board $round"])];
        $statuses = ($this->statuses)(($this->atOnce)($keep, $keep));
        sort($statuses);
        expect($statuses)->toBe([201, 422])->and(Blueprint::query()->where('name', "Board $round")->count())->toBe(1);
    }
});

it('calls somebody in once who is called in twice', function (): void {
    for ($round = 0; $round < 3; $round++) {
        $late = guest("late$round@far.example");
        $meeting = meeting($this->coordinator, [$this->coordinator->person, guest("c$round@far.example")], ['join_mode' => 'online', 'rrule' => null]);
        kit($meeting);
        $meeting = sent($meeting->refresh());
        delivered($meeting);
        $call = ['POST', "/api/meetings/$meeting->id/call-in", json_encode(['people' => [$late->id]])];
        $statuses = ($this->statuses)(($this->atOnce)($call, $call));

        expect(array_diff($statuses, [200, 409]))->toBe([])->and($statuses)->toContain(200)
            ->and($meeting->attendees()->where('person_id', $late->id)->count())->toBe(1)->and(Meeting::query()->where('changes_id', $meeting->id)->count())->toBe(0)
            ->and(Dispatch::query()->where('meeting_id', $meeting->id)->where('recipient', $late->email)->whereNot('state', 'replaced')->count())->toBe(1);
    }
});

it('invites both of two people who are invited at once, and takes both of two answers', function (): void {
    for ($round = 0; $round < 3; $round++) {
        [$one, $two] = [guest("one$round@far.example"), guest("two$round@far.example")];
        $meeting = sent(meeting($this->coordinator, [$this->coordinator->person, $there = guest("c$round@far.example")]));
        delivered($meeting);
        $invite = fn(string $id): array => ['POST', "/api/meetings/$meeting->id/invite", json_encode(['people' => [$id]])];
        $answer = fn(string $id): array => ['POST', "/api/meetings/$meeting->id/answers/$id", json_encode(['date' => null, 'partstat' => 'accepted', 'comment' => null])];
        $statuses = ($this->statuses)(($this->atOnce)($invite($one->id), $invite($two->id), $answer($there->id), $answer($this->coordinator->person_id)));

        expect($statuses)->toBe([200, 200, 200, 200])
            ->and($meeting->attendees()->whereIn('person_id', [$one->id, $two->id])->count())->toBe(2)
            ->and($meeting->attendees()->whereIn('person_id', [$there->id, $this->coordinator->person_id])->pluck('partstat')->unique()->all())->toBe(['accepted']);
    }
});
