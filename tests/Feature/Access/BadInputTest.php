<?php

declare(strict_types=1);

use App\Import\PeopleImport;
use App\People\Role;
use App\People\Team;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Facades\Queue;

use function Tests\Feature\account;
use function Tests\Feature\colleague;
use function Tests\Feature\guest;
use function Tests\Feature\meeting;
use function Tests\Feature\repeats;
use function Tests\Feature\sheet;

/*
 * Whatever stands in a field, the answer is no failure of ours: it is taken, or refused with the name of the field.
 */

/** @return array<string, mixed> */
function nasties(): array
{
    return [
        'null' => null, 'nothing' => '', 'true' => true, 'zero' => 0, 'negative' => -1, 'huge' => 9_999_999_999_999, 'past 64 bits' => 1e30, 'fraction' => 1.5,
        'a list' => ['x'], 'lists in lists' => [[[[]]]], 'an object' => ['a' => ['b' => 'c']], 'a numbered object' => ['5' => 'x', '7' => 'y'],
        'long' => str_repeat('ä', 10_000), '250' => str_repeat('x', 250), 'CR LF' => "a\r\nBcc: x@y.example", 'NUL' => "a\0b", 'zero width' => "a\u{200B}b", 'right to left' => "\u{202E}abc",
        'emoji' => '🌱🌱', 'script' => 'javascript:alert(1)', 'formula' => '=cmd|calc', 'year 1' => '0001-01-01T00:00:00', 'year 9999' => '9999-12-31T23:55:00', 'year 10000' => '10000-01-01T00:00:00',
        'no day' => '2027-02-30T10:00:00', 'localtime' => 'localtime', 'posixrules' => 'posixrules', 'Factory' => 'Factory', 'percent' => '%', 'a number as text' => '7', 'weeks' => 'week',
    ];
}

/**
 * Every place in a body, with each nasty thing put there.
 *
 * @param array<array-key, mixed> $body
 * @return Generator<string, array<array-key, mixed>>
 */
function spoiled(array $body, string $at = ''): Generator
{
    foreach ($body as $key => $value) {
        foreach (nasties() as $name => $nasty) {
            yield "$at$key: $name" => [...$body, $key => $nasty];
        }
        $without = $body;
        unset($without[$key]);
        yield "$at$key left out" => $without;
        if (is_array($value)) {
            foreach (spoiled($value, "$at$key.") as $where => $inner) {
                yield $where => [...$body, $key => $inner];
            }
        }
    }
}

it('answers bad input with a clear refusal, field by field', function (string $method, string $path, Closure $bodyOf): void {
    Queue::fake();
    Http::fake(['*' => Http::response(['id' => 'room1', 'link' => 'https://meet.syndex.example/j/x', 'number' => '829114507', 'dial_ins' => []], 201)]);
    $coordinator = account(Role::Administrator, colleague('Wanjiru Achola'));
    $this->actingAs($coordinator);
    $meeting = meeting($coordinator, [$coordinator->person, guest('rosa@anden.example')]);
    $body = $bodyOf($meeting, $coordinator);
    $path = strtr($path, ['{meeting}' => $meeting->id, '{person}' => guest('rosa@anden.example')->id, '{account}' => account(Role::Colleague)->id,
        '{team}' => Team::query()->create(['name' => 'Ferns', 'name_key' => 'ferns'])->id,
        '{import}' => PeopleImport::query()->create(['account_id' => $coordinator->id, 'name' => 'a.csv', 'kind' => 'csv', 'state' => 'looked', 'content' => base64_encode("email,name\na@x.example,A\n"), 'mapping' => []])->id]);
    $failed = [];
    foreach (spoiled($body) as $where => $spoiled) {
        if ($method === 'GET') {
            $answer = $this->getJson($path . '?' . http_build_query($spoiled));
        } else {
            $answer = $this->json($method, $path, $spoiled);
        }
        $status = $answer->getStatusCode();
        if ($status >= 500) {
            $failed[] = "$where => $status " . mb_strimwidth((string) ($answer->exception?->getMessage() ?? $answer->getContent()), 0, 200);
        } elseif ($status === 422 && ($answer->json('errors') === [] || $answer->json('errors') === null) && !in_array($answer->json('code'), ['many_dates', 'sign_in_failed', 'not_ready'], true)) {
            $failed[] = "$where => 422 without a field: " . $answer->json('message');
        }
    }
    expect($failed)->toBe([]);
})->with([
    'sign in' => ['POST', '/api/session', fn() => ['email' => 'x@y.example', 'password' => 'a long password']],
    'first account' => ['POST', '/api/accounts/first', fn() => ['name' => 'A', 'email' => 'x@y.example', 'password' => 'nine ferns by the wall', 'zone' => 'UTC']],
    'password' => ['POST', '/api/password', fn() => ['token' => 'x', 'password' => 'nine ferns by the wall']],
    'forgot' => ['POST', '/api/password/forgot', fn() => ['email' => 'x@y.example']],
    'agree to an address' => ['POST', '/api/address', fn() => ['token' => 'x']],
    'own address' => ['POST', '/api/session/address', fn() => ['email' => 'x@y.example', 'password' => 'x']],
    'settings' => ['PATCH', '/api/session', fn() => ['shortcuts' => true, 'clocks' => ['UTC', 'Europe/Lisbon'], 'zone' => 'Africa/Nairobi']],
    'an answer by telephone' => ['POST', '/api/meetings/{meeting}/answers/{person}', fn() => ['date' => '2026-12-08T15:30:00', 'partstat' => 'accepted', 'comment' => 'x']],
    'invite to a meeting' => ['POST', '/api/meetings/{meeting}/invite', fn() => ['people' => [colleague('Lena Frost')->id]]],
    'invite' => ['POST', '/api/accounts', fn() => ['personId' => colleague('Inês Varela')->id, 'role' => 'colleague']],
    'change an account' => ['PATCH', '/api/accounts/{account}', fn() => ['role' => 'colleague', 'active' => true]],
    'a kit made anew' => ['POST', '/api/meetings/{meeting}/kit/anew', fn() => ['what' => ['pin']]],
    'a meeting right now' => ['POST', '/api/meetings/now', fn($meeting) => ['title' => 'A word', 'people' => [$meeting->host_id]]],
    'a blueprint' => ['POST', '/api/blueprints', fn($meeting) => ['meetingId' => $meeting->id, 'name' => 'Board', 'teamId' => null, 'words' => 'Read first.']],
    'blueprints in order' => ['PUT', '/api/blueprints/order', fn() => ['ids' => ['none']]],
    'house rules' => ['PUT', '/api/house-rules', fn() => ['organisation' => 'Gardens', 'organizer' => 'meeting', 'holidays' => true, 'plannedHereIsAll' => true, 'pauseMinutes' => 5, 'largeTeam' => 20, 'forgetGuestsMonths' => 12, 'keepMessagesMonths' => 24, 'holdSeconds' => 5, 'reminderMinutes' => 30, 'hidesPeople' => 'always', 'workingWeek' => ['mon' => [['09:00', '17:00']]], 'feedHosts' => ['calendar.garden.example:8443'], 'fileMegabytes' => 5, 'room' => ['usual' => ['doors' => 5, 'lobby' => ['guests']], 'locked' => ['doors']], 'open' => ['holidays' => true]]],
    'a person' => ['POST', '/api/people', fn() => ['kind' => 'colleague', 'name' => 'Inês Varela', 'email' => 'ines@garden.example', 'zone' => 'Europe/Lisbon', 'language' => 'pt', 'job' => 'x', 'hours' => ['mon' => [['09:00', '17:00']]]]],
    'change a person' => ['PATCH', '/api/people/{person}', fn() => ['name' => 'Inês Varela', 'email' => 'ines@garden.example', 'zone' => 'Europe/Lisbon', 'language' => 'pt', 'job' => 'x', 'hours' => ['mon' => [['09:00', '17:00']]]]],
    'what somebody says of themselves' => ['PATCH', '/api/people/{person}', fn() => ['country' => 'AU', 'region' => 'WA', 'phone' => '+61 8 5550 1234', 'keepsHolidays' => true, 'standInId' => null, 'quietHours' => ['wed' => [['09:00', '11:00']]]]],
    'a journey' => ['POST', '/api/people/{person}/journeys', fn() => ['zone' => 'Europe/Lisbon', 'fromOn' => '2027-05-03', 'untilOn' => '2027-05-12']],
    'an absence' => ['POST', '/api/people/{person}/absences', fn() => ['fromOn' => '2027-05-03', 'untilOn' => '2027-05-12', 'standInId' => null, 'note' => 'x', 'showsNote' => true]],
    'a week' => ['GET', '/api/people/{person}/week', fn() => ['from' => '2027-05-03']],
    'places' => ['GET', '/api/places', fn() => ['country' => 'AU']],
    'a second part' => ['POST', '/api/meetings/{meeting}/second-part', fn() => ['minutes' => 5, 'breakMinutes' => 10]],
    'a room that is kept' => ['POST', '/api/people/{person}/room', fn() => ['what' => ['passcode', 'pin']]],
    'an address of one’s own' => ['PUT', '/api/people/{person}/room/address', fn() => ['address' => 'seed-' . bin2hex(random_bytes(4))]],
    'a calendar' => ['PUT', '/api/people/{person}/calendar', fn() => ['url' => 'https://calendar.garden.example/a.ics']],
    'a merger' => ['POST', '/api/people/{person}/merge', fn() => ['into' => 'x']],
    'a hand-over' => ['POST', '/api/people/{person}/hand-over', fn() => ['toId' => 'x', 'leaves' => false]],
    'a team' => ['POST', '/api/teams', fn() => ['name' => 'Growers', 'parentId' => null, 'personIds' => ['x']]],
    'change a team' => ['PATCH', '/api/teams/{team}', fn() => ['name' => 'Growers', 'parentId' => null]],
    'members' => ['POST', '/api/teams/{team}/members', fn() => ['add' => ['x'], 'remove' => ['y']]],
    'find a team' => ['GET', '/api/teams/suggest', fn() => ['q' => 'x']],
    'map a file of people' => ['PUT', '/api/people-imports/{import}', fn() => ['mapping' => ['email' => 0, 'name' => 1], 'hasHeading' => true]],
    'note a clash' => ['POST', '/api/meetings/{meeting}/clashes/noted', fn() => ['noted' => true, 'personId' => 'x']],
    'start with people' => ['POST', '/api/meetings', fn($meeting, $coordinator) => ['with' => [$coordinator->person_id]]],
    'export' => ['GET', '/api/people/export.vcf', fn() => ['kind' => 'guest', 'version' => '3.0']],
    'check a guest' => ['POST', '/api/guests/check', fn() => ['address' => 'a@x.example, b@x.example']],
    'guests' => ['POST', '/api/guests', fn() => ['addresses' => ['Karl <a@x.example>', 'b@x.example']]],
    'directory' => ['GET', '/api/people', fn() => ['q' => 'x', 'kind' => 'guest', 'page' => 1]],
    'suggestions' => ['GET', '/api/people/suggest', fn() => ['q' => 'x']],
    'meetings' => ['GET', '/api/meetings', fn() => ['q' => 'x', 'which' => 'all', 'page' => 1]],
    'dispatches' => ['GET', '/api/dispatches', fn() => ['q' => 'x', 'state' => 'sent', 'meeting' => 'x', 'page' => 1]],
    'send all again' => ['POST', '/api/dispatches/again', fn() => ['meeting' => 'x']],
    'today' => ['GET', '/api/today', fn() => ['day' => '2026-12-01']],
    'start from' => ['POST', '/api/meetings', fn($meeting) => ['from' => $meeting->id]],
    'a kit' => ['POST', '/api/meetings/{meeting}/kit', fn() => ['passcode' => 'Saatgut7', 'change' => true]],
    'send' => ['POST', '/api/meetings/{meeting}/send', fn() => ['version' => 99]],
    'clock moves' => ['POST', '/api/meetings/{meeting}/clock-moves', fn() => ['noted' => true, 'zoneData' => '2099a']],
    'a sentence' => ['POST', '/api/sentence', fn() => ['text' => 'weekly tue 15:30', 'zone' => 'Africa/Nairobi']],
    'find in a calendar file' => ['GET', '/api/meetings', fn() => ['q' => 'x']],
    'a sheet' => ['PUT', '/api/meetings/{meeting}', fn($meeting) => sheet($meeting, ['agenda' => [['id' => 1, 'title' => 'A', 'minutes' => 5, 'speaker' => 'B']], 'links' => [['label' => 'x', 'url' => 'https://lots.example/1']], 'dropped' => ['2027-01-05T15:30:00'], 'extra' => ['2027-01-06T15:30:00'], 'manyAgreed' => false])],
    'a sheet by parts' => ['PUT', '/api/meetings/{meeting}', fn($meeting) => sheet($meeting, ['rule' => [
        'by' => 'parts', 'frequency' => 'monthly', 'interval' => 1, 'weekStart' => 'mon', 'days' => [['nth' => 2, 'day' => 'tue']], 'monthDays' => [], 'yearDays' => [], 'weeks' => [], 'months' => [3], 'positions' => [], 'hours' => [15], 'minutes' => [30], 'seconds' => [],
        'skip' => 'omit', 'end' => 'count', 'count' => 4, 'untilOn' => null,
    ]])],
    'a board' => ['POST', '/api/board', fn($meeting) => [...sheet($meeting), 'index' => 0, 'meetingId' => $meeting->id, 'shiftMinutes' => 600, 'moveAs' => 'words', 'anchorIn' => 'Europe/Lisbon']],
    'a room' => ['POST', '/api/room', fn($meeting) => [...sheet($meeting), 'hostComes' => 5, 'room' => ['settings' => ['doors' => 5, 'lobby' => ['guests'], 'countries' => ['refuse' => ['BO']], 'lock' => 10, 'chat' => 'hosts', 'signIn' => true, 'phonesAlso' => ['US']], 'coHosts' => [$meeting->host_id], 'account' => 'bench', 'standing' => true, 'inRoom' => [$meeting->host_id], 'standIn' => $meeting->host_id, 'smallRooms' => [['name' => 'Seeds', 'people' => [$meeting->host_id]]], 'interpreters' => [['personId' => $meeting->host_id, 'from' => 'pt', 'to' => 'en']]]]],
    'turns' => ['POST', '/api/board', fn($meeting) => [...sheet($meeting), 'index' => 0, 'meetingId' => $meeting->id, 'turns' => [0, 60]]],
    'better times' => ['POST', '/api/times', fn($meeting) => [...sheet($meeting), 'index' => 0, 'meetingId' => $meeting->id, 'anyDay' => true]],
    'an offer of times' => ['POST', '/api/meetings/{meeting}/offer', fn() => ['times' => ['2031-01-07T15:30:00', '2031-01-08T15:30:00'], 'guests' => [guest('rosa@anden.example')->id], 'untilOn' => '2031-01-05', 'words' => 'x']],
    'take a time that was offered' => ['POST', '/api/meetings/{meeting}/offer/take', fn() => ['time' => 1, 'version' => 1]],
    'a series' => ['POST', '/api/series', fn($meeting) => [...sheet($meeting), 'edit' => ['do' => 'move', 'date' => '2027-01-05T15:30:00', 'to' => '2027-01-06T15:30:00']]],
]);

it('takes control characters out of what was typed, and keeps the rest', function (string $field, string $typed, string $kept): void {
    $coordinator = account(Role::Coordinator, colleague('Wanjiru Achola'));
    $meeting = meeting($coordinator, [$coordinator->person]);

    expect($this->actingAs($coordinator)->putJson("/api/meetings/$meeting->id", sheet($meeting, [$field => $typed]))->assertOk()->json($field))->toBe($kept);
})->with([
    'NUL and BEL' => ['title', "a\0b\x07c", 'abc'], 'a line break in a title' => ['title', "Lots\r\nBcc: x@y.example", 'Lots Bcc: x@y.example'], 'lines' => ['purpose', "One\r\nTwo\rThree\x0BFour", "One\nTwo\nThree\nFour"],
    'nothing but' => ['place', "\0\0", ''], 'a tab' => ['purpose', "a\tb", "a\tb"], 'emoji' => ['title', 'Seedlings 🌱', 'Seedlings 🌱'],
]);

it('has no place for zones in which nobody lives', function (string $zone): void {
    $coordinator = account(Role::Administrator, colleague('Wanjiru Achola'));
    $meeting = meeting($coordinator, [$coordinator->person]);
    $this->actingAs($coordinator);

    $this->putJson("/api/meetings/$meeting->id", sheet($meeting, ['zone' => $zone]))->assertStatus(422)->assertJsonStructure(['errors' => ['zone']]);
    $this->patchJson("/api/people/$coordinator->person_id", ['zone' => $zone])->assertStatus(422)->assertJsonStructure(['errors' => ['zone']]);
    $this->patchJson('/api/session', ['zone' => $zone])->assertStatus(422)->assertJsonStructure(['errors' => ['zone']]);
    $this->postJson('/api/sentence', ['text' => 'daily 10:00', 'zone' => $zone])->assertStatus(422)->assertJsonStructure(['errors' => ['zone']]);
})->with(['localtime', 'posixrules', 'Factory', 'europe/lisbon', '../etc/passwd']);

it('refuses a sheet whose dates leave the calendar, naming where', function (array $changes): void {
    $coordinator = account(Role::Coordinator);
    $meeting = meeting($coordinator, [$coordinator->person]);
    $this->actingAs($coordinator)->putJson("/api/meetings/$meeting->id", sheet($meeting, $changes))->assertStatus(422)->assertJsonStructure(['errors' => ['startLocal']]);
    $this->postJson('/api/board', [...sheet($meeting, $changes), 'index' => 0, 'meetingId' => $meeting->id, 'shiftMinutes' => 1440])->assertStatus(422)->assertJsonStructure(['errors' => ['startLocal']]);
    expect($this->postJson('/api/times', [...sheet($meeting, $changes), 'index' => 0, 'meetingId' => $meeting->id])->getStatusCode())->toBeIn([200, 422]);
})->with([
    'the last evening' => [['startLocal' => '9999-12-31T23:30:00', 'rule' => null, 'zone' => 'Pacific/Honolulu']],
    'in the year after the last' => [['startLocal' => '9995-12-20T23:30:00', 'rule' => repeats(['every' => 'day', 'end' => 'open'])]],
    'the first morning, back' => [['startLocal' => '0001-01-01T00:00:00', 'rule' => null, 'zone' => 'Pacific/Auckland']],
]);

it('takes a series that ends with the calendar', function (): void {
    $coordinator = account(Role::Coordinator, colleague('Malia', 'Pacific/Honolulu'));
    $meeting = meeting($coordinator, [$coordinator->person, colleague('Mere', 'Pacific/Auckland')]);
    $long = ['startLocal' => '9980-12-31T23:30:00', 'zone' => 'Pacific/Honolulu', 'rule' => repeats(['every' => 'year', 'end' => 'open'])];
    $this->actingAs($coordinator);

    expect($this->putJson("/api/meetings/$meeting->id", sheet($meeting, $long))->getStatusCode())->toBeIn([200, 422])
        ->and($this->postJson('/api/board', [...sheet($meeting, $long), 'index' => 0, 'meetingId' => $meeting->id])->getStatusCode())->toBeIn([200, 422])
        ->and($this->postJson('/api/times', [...sheet($meeting, $long), 'index' => 0, 'meetingId' => $meeting->id])->getStatusCode())->toBeIn([200, 422]);
});

it('keeps values out of what is said of a query that failed, and so out of the logs', function (Closure $ask, string $kept): void {
    guest('secret.one@orchard.example');
    try {
        $ask();
        $this->fail('It did not fail.');
    } catch (QueryException $failed) {
        for ($said = ''; $failed !== null; $failed = $failed->getPrevious()) {
            $said .= $failed->getMessage();
        }
    }

    expect($said)->toContain($kept)->not->toContain('secret');
})->with([
    'a table that is not there' => [fn() => DB::select('select * from nowhere where token = ?', ['secret token']), 'nowhere where token = ?'],
    'an address that is there' => [fn() => DB::table('people')->where('id', guest('other@orchard.example')->id)->update(['email_key' => 'secret.one@orchard.example']), 'people_email_key_unique'],
]);
