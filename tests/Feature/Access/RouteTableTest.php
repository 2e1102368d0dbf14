<?php

declare(strict_types=1);

use App\Answers\Reply;
use App\Import\PeopleImport;
use App\Invitations\Dispatch;
use App\Invitations\Step;
use App\People\Absence;
use App\People\Journey;
use App\People\Role;
use App\People\Team;
use App\Planning\Blueprint;
use App\Planning\BlueprintContent;
use App\Planning\MeetingFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Facades\Route;

use function Tests\Feature\account;
use function Tests\Feature\colleague;
use function Tests\Feature\kit;
use function Tests\Feature\meeting;
use function Tests\Feature\sent;
use function Tests\Feature\sheet;

/*
 * The complete table: route x (nobody, unconcerned colleague, concerned colleague, coordinator, administrator) -> status.
 * "draft" and "sent" stand for a meeting in that state to which the concerned colleague belongs.
 */
$table = [
    'GET api/session' => [200, 200, 200, 200, 200],
    'POST api/session' => [422, 422, 422, 422, 422],
    'POST api/accounts/first' => [422, 422, 422, 422, 422],
    'POST api/password/forgot' => [422, 422, 422, 422, 422],
    'POST api/password' => [422, 422, 422, 422, 422],
    'POST api/address' => [422, 422, 422, 422, 422],
    'GET api/zones' => [200, 200, 200, 200, 200],
    'DELETE api/session' => [401, 204, 204, 204, 204],
    'PATCH api/session' => [401, 200, 200, 200, 200],
    'POST api/session/address' => [401, 422, 422, 422, 422],
    'GET api/today' => [401, 200, 200, 200, 200],
    'GET api/meetings' => [401, 200, 200, 200, 200],
    'GET api/meetings/{sent}' => [401, 404, 200, 200, 200],
    'GET api/meetings/{draft}' => [401, 404, 404, 200, 200],
    'GET api/meetings/{sent}/dates' => [401, 404, 200, 200, 200],
    'GET api/meetings/{draft}/dates' => [401, 404, 404, 200, 200],
    'GET api/meetings/{sent}/text' => [401, 404, 200, 200, 200],
    'GET api/meetings/{sent}/file.ics' => [401, 404, 200, 200, 200],
    'GET api/meetings/{draft}/file.ics' => [401, 404, 404, 200, 200],
    'POST api/meetings' => [401, 403, 403, 201, 201],
    'POST api/meetings/discard' => [401, 403, 403, 200, 200],
    'PUT api/meetings/{draft}' => [401, 403, 403, 200, 200],
    'PUT api/meetings/{sent}' => [401, 403, 403, 409, 409],
    'POST api/meetings/{draft}/change' => [401, 403, 403, 409, 409],
    'POST api/meetings/{sent}/change' => [401, 403, 403, 201, 201],
    'DELETE api/meetings/{draft}' => [401, 403, 403, 204, 204],
    'DELETE api/meetings/{sent}' => [401, 403, 403, 409, 409],
    'GET api/meetings/{draft}/offer' => [401, 403, 403, 200, 200],
    'POST api/meetings/{draft}/offer' => [401, 403, 403, 422, 422],
    'POST api/meetings/{draft}/offer/take' => [401, 403, 403, 422, 422],
    'POST api/meetings/{draft}/offer/guests/{person}' => [401, 403, 403, 409, 409],
    'DELETE api/meetings/{draft}/offer' => [401, 403, 403, 409, 409],
    'GET g/{token?}' => [200, 200, 200, 200, 200],
    // An account opens none of these: only a link does.
    'GET api/guest/offer' => [404, 404, 404, 404, 404],
    'PUT api/guest/offer' => [404, 404, 404, 404, 404],
    'POST api/guest/offer/busy-file' => [404, 404, 404, 404, 404],
    'DELETE api/guest/offer/busy-file' => [404, 404, 404, 404, 404],
    'GET api/meetings/{draft}/shifts' => [401, 403, 403, 200, 200],
    'GET api/meetings/{draft}/shifts.csv' => [401, 403, 403, 200, 200],
    'POST api/board' => [401, 403, 403, 200, 200],
    'POST api/times' => [401, 403, 403, 200, 200],
    'POST api/room' => [401, 403, 403, 200, 200],
    'GET api/burden' => [401, 403, 403, 200, 200],
    'POST api/calendar-files/look' => [401, 403, 403, 422, 422],
    'POST api/mail-files' => [401, 403, 403, 422, 422],
    'POST api/calendar-files' => [401, 403, 403, 422, 422],
    'POST api/series' => [401, 403, 403, 200, 200],
    'GET api/rules' => [401, 403, 403, 422, 422],
    'POST api/sentence' => [401, 403, 403, 200, 200],
    'POST api/meetings/{draft}/second-part' => [401, 403, 403, 201, 201],
    'POST api/meetings/{draft}/kit' => [401, 403, 403, 201, 201],
    'POST api/meetings/{sent}/kit' => [401, 403, 403, 409, 409],
    'GET api/meetings/{draft}/read-back' => [401, 403, 403, 200, 200],
    'GET api/meetings/{sent}/history' => [401, 403, 403, 200, 200],
    'POST api/meetings/{sent}/history/{step}/restore' => [401, 403, 403, 409, 409],
    'GET api/meetings/{draft}/read-back-change' => [401, 403, 403, 404, 404],
    'GET api/meetings/{draft}/letter/{person}' => [401, 403, 403, 200, 200],
    'GET api/meetings/{draft}/letter/{person}/html' => [401, 403, 403, 200, 200],
    'POST api/meetings/{draft}/keep' => [401, 403, 403, 200, 200],
    'POST api/meetings/{draft}/send' => [401, 403, 403, 200, 200],
    'POST api/meetings/{sent}/take-back' => [401, 403, 403, 200, 200],
    'POST api/meetings/{sent}/absences/{absence}/noted' => [401, 403, 403, 204, 204],
    'POST api/meetings/{sent}/tell/{person}' => [401, 403, 403, 200, 200],
    'POST api/meetings/{sent}/call-off' => [401, 403, 403, 200, 200],
    'POST api/meetings/{sent}/clock-moves' => [401, 403, 403, 204, 204],
    'GET api/people/{person}/calendar' => [401, 404, 200, 200, 200],
    'GET api/people/{person}/room' => [401, 404, 200, 200, 200],
    'POST api/people/{person}/room' => [401, 404, 200, 200, 200],
    'PUT api/people/{person}/room/address' => [401, 404, 422, 422, 422],
    'PUT api/people/{person}/calendar' => [401, 404, 422, 422, 422],
    'POST api/people/{person}/calendar/file' => [401, 404, 422, 422, 422],
    'POST api/people/{person}/calendar/read' => [401, 404, 404, 404, 404],
    'PATCH api/people/{person}/calendar' => [401, 404, 422, 403, 403],
    'DELETE api/people/{person}/calendar' => [401, 404, 204, 204, 204],
    'POST api/people/{person}/merge' => [401, 403, 403, 422, 422],
    'POST api/people/{person}/forget' => [401, 403, 403, 409, 409],
    'GET api/people/{person}/hand-over' => [401, 403, 403, 200, 200],
    'POST api/people/{person}/hand-over' => [401, 403, 403, 422, 422],
    'POST api/people/{person}/back' => [401, 403, 403, 204, 204],
    'GET api/meetings/{draft}/files' => [401, 404, 404, 200, 200],
    'GET api/meetings/{sent}/files' => [401, 404, 200, 200, 200],
    'GET api/meetings/{sent}/files/{file}' => [401, 404, 200, 200, 200],
    'POST api/meetings/{draft}/files' => [401, 403, 403, 422, 422],
    'DELETE api/meetings/{sent}/files/{file}' => [401, 403, 403, 204, 204],
    'GET api/people/export.csv' => [401, 403, 403, 200, 200],
    'GET api/people/export.vcf' => [401, 403, 403, 200, 200],
    'POST api/people-imports' => [401, 403, 403, 201, 201],
    'GET api/people-imports/{import}' => [401, 403, 403, 200, 404],
    'PUT api/people-imports/{import}' => [401, 403, 403, 422, 404],
    'POST api/people-imports/{import}/start' => [401, 403, 403, 422, 404],
    'GET api/people-imports/{import}/refused.csv' => [401, 403, 403, 200, 404],
    'DELETE api/people-imports/{import}' => [401, 403, 403, 204, 404],
    'POST api/meetings/{sent}/clashes/noted' => [401, 403, 403, 204, 204],
    'GET api/teams' => [401, 403, 403, 200, 200],
    'POST api/teams' => [401, 403, 403, 201, 201],
    'GET api/teams/suggest' => [401, 403, 403, 200, 200],
    'GET api/teams/{team}' => [401, 403, 403, 200, 200],
    'PATCH api/teams/{team}' => [401, 403, 403, 200, 200],
    'DELETE api/teams/{team}' => [401, 403, 403, 204, 204],
    'POST api/teams/{team}/members' => [401, 403, 403, 200, 200],
    'GET api/teams/{team}/as-asked' => [401, 403, 403, 200, 200],
    'GET api/places' => [401, 200, 200, 200, 200],
    'GET api/people/{person}/week' => [401, 404, 200, 200, 200],
    'POST api/people/{person}/journeys' => [401, 404, 422, 422, 422],
    'DELETE api/people/{person}/journeys/{journey}' => [401, 404, 204, 204, 204],
    'GET api/people' => [401, 403, 403, 200, 200],
    'GET api/people/of-meetings' => [401, 403, 403, 422, 422],
    'GET api/people/suggest' => [401, 200, 200, 200, 200],
    'GET api/people/{person}/absences' => [401, 404, 200, 200, 200],
    'POST api/people/{person}/absences' => [401, 404, 201, 201, 201],
    'DELETE api/people/{person}/absences/{absence}' => [401, 404, 204, 204, 204],
    'GET api/people/{person}' => [401, 404, 200, 200, 200],
    'POST api/people' => [401, 403, 403, 201, 201],
    'PATCH api/people/{person}' => [401, 404, 200, 200, 200],
    'POST api/guests/check' => [401, 403, 403, 200, 200],
    'POST api/guests' => [401, 403, 403, 200, 200],
    'GET api/dispatches' => [401, 403, 403, 200, 200],
    'GET api/dispatches/{dispatch}' => [401, 403, 403, 200, 200],
    'GET api/dispatches/{dispatch}/html' => [401, 403, 403, 200, 200],
    'POST api/dispatches/again' => [401, 403, 403, 200, 200],
    'POST api/dispatches/{dispatch}/again' => [401, 403, 403, 409, 409],
    'GET api/meetings/{sent}/kit/anew' => [401, 403, 403, 200, 200],
    'POST api/meetings/{sent}/kit/anew' => [401, 403, 403, 200, 200],
    'POST api/meetings/{sent}/kit/tell' => [401, 403, 403, 200, 200],
    'POST api/meetings/now' => [401, 403, 403, 201, 201],
    'GET api/meetings/{sent}/answers' => [401, 403, 403, 200, 200],
    'POST api/meetings/{sent}/answers/{person}' => [401, 403, 403, 200, 200],
    'POST api/meetings/{sent}/replies/{reply}/take' => [401, 403, 403, 200, 200],
    'POST api/meetings/{sent}/replies/{reply}/dismiss' => [401, 403, 403, 200, 200],
    'POST api/meetings/{sent}/invite' => [401, 403, 403, 200, 200],
    'POST api/meetings/{sent}/call-in' => [401, 403, 403, 409, 409],
    'GET api/blueprints' => [401, 403, 403, 200, 200],
    'POST api/blueprints' => [401, 403, 403, 201, 201],
    'PUT api/blueprints/order' => [401, 403, 403, 200, 200],
    // One of the coordinator's own.
    'PATCH api/blueprints/{blueprint}' => [401, 403, 403, 200, 404],
    'PUT api/blueprints/{blueprint}/content' => [401, 403, 403, 200, 404],
    'DELETE api/blueprints/{blueprint}' => [401, 403, 403, 204, 404],
    'GET api/house-rules' => [401, 403, 403, 200, 200],
    'GET api/house-rules/touched' => [401, 403, 403, 200, 200],
    'GET api/house-rules/teams/{team}' => [401, 403, 403, 200, 200],
    'PUT api/house-rules/teams/{team}' => [401, 403, 403, 403, 200],
    'PUT api/house-rules' => [401, 403, 403, 403, 200],
    'POST api/accounts' => [401, 403, 403, 403, 201],
    'PATCH api/accounts/{account}' => [401, 403, 403, 403, 200],
    'GET live-allowed' => [403, 403, 403, 403, 403],
    'GET {page?}' => [200, 200, 200, 200, 200],
];

$shape = static fn(string $route): string => (string) preg_replace('/\{(draft|sent)\}/', '{meeting}', $route);

it('knows every route there is, and no other', function () use ($table, $shape): void {
    $there = [];
    foreach (Route::getRoutes() as $route) {
        foreach (array_diff($route->methods(), ['HEAD']) as $method) {
            $there[] = $method . ' ' . $route->uri();
        }
    }
    $known = array_values(array_unique(array_map($shape, array_keys($table))));
    sort($there);
    sort($known);

    expect($known)->toBe($there);
});

it('answers each according to who asks', function (string $route, int $who, int $status): void {
    Http::fake(['*' => Http::response(['id' => 'room1', 'link' => 'https://meet.syndex.example/j/x', 'number' => '829114507', 'dial_ins' => []], 201)]);
    $concerned = account(Role::Colleague);
    $coordinator = account(Role::Coordinator);
    $asker = [null, account(Role::Colleague), $concerned, $coordinator, account(Role::Administrator)][$who];
    $meeting = meeting($coordinator, [$coordinator->person, $concerned->person]);
    if (str_contains($route, '{sent}') || str_contains($route, '{dispatch}')) {
        kit($meeting);
        $meeting = sent($meeting->refresh());
    }
    $invited = colleague('Somebody Else');
    [$method, $path] = explode(' ', $route);
    $path = strtr($path, [
        '{sent}' => $meeting->id, '{draft}' => $meeting->id, '{person}' => $concerned->person_id, '{account}' => $concerned->id, '{page?}' => 'meetings',
        '{absence}' => str_contains($route, '{absence}') ? (string) Absence::query()->create(['person_id' => $concerned->person_id, 'from_on' => '2030-01-01', 'until_on' => '2030-01-02'])->id : '0',
        '{journey}' => str_contains($route, '{journey}') ? (string) Journey::query()->create(['person_id' => $concerned->person_id, 'zone' => 'Australia/Perth', 'from_on' => '2030-01-01', 'until_on' => '2030-01-02'])->id : '0',
        '{blueprint}' => str_contains($route, '{blueprint}') ? Blueprint::query()->create(['account_id' => $coordinator->id, 'name' => 'Board', 'name_key' => 'board', 'position' => 1, 'content' => BlueprintContent::of($meeting)])->id : '0',
        '{team}' => str_contains($route, '{team}') ? Team::query()->create(['name' => 'Growers', 'name_key' => 'growers'])->id : '0',
        '{import}' => str_contains($route, '{import}') ? PeopleImport::query()->create(['account_id' => $coordinator->id, 'name' => 'a.csv', 'kind' => 'csv', 'state' => 'looked', 'content' => base64_encode("name\nA\n"), 'mapping' => []])->id : '0',
        '{file}' => str_contains($route, '{file}') ? MeetingFile::query()->create(['meeting_id' => $meeting->id, 'name' => 'a', 'type' => 'text/plain', 'size' => 0, 'created_at' => now()])->id : '0',
        '{reply}' => str_contains($route, '{reply}') ? (string) Reply::query()->create(['meeting_id' => $meeting->id, 'person_id' => $concerned->person_id, 'kind' => 'answer', 'via' => 'mail', 'state' => 'aside', 'partstat' => 'accepted', 'created_at' => now()])->id : '0',
        '{step}' => (string) (Step::query()->where('meeting_id', $meeting->id)->value('id') ?? 0),
        '{dispatch}' => (string) (Dispatch::query()->where('recipient', $concerned->email)->value('id') ?? 0),
    ]);
    $body = match (true) {
        str_starts_with($route, 'PUT api/meetings') => sheet($meeting),
        str_ends_with($route, '/kit/anew') => ['what' => ['pin']],
        str_starts_with($route, 'PUT api/house-rules/teams') => ['room' => ['usual' => ['doors' => 5], 'locked' => []]],
        $route === 'POST api/meetings/now' => ['title' => 'A word', 'people' => [$invited->id]],
        str_ends_with($route, '/second-part') => ['minutes' => 5, 'breakMinutes' => 10],
        str_ends_with($route, '/call-in'), str_ends_with($route, '/invite') => ['people' => [$invited->id]],
        $route === 'POST api/blueprints' => ['meetingId' => $meeting->id, 'name' => 'Boards'],
        $route === 'PUT api/blueprints/order' => ['ids' => []],
        str_ends_with($route, '/content') => ['meetingId' => $meeting->id],
        str_ends_with($route, '/answers/{person}') => ['date' => null, 'partstat' => 'accepted', 'comment' => null],
        str_ends_with($route, '/send') => ['version' => $meeting->version],
        str_ends_with($route, '/noted') => ['noted' => true, 'personId' => $concerned->person_id],
        str_ends_with($route, '/clock-moves') => ['noted' => true, 'zoneData' => '2099a'],
        $route === 'POST api/meetings/discard' => ['ids' => ['none']],
        $route === 'POST api/series' => sheet($meeting),
        $route === 'POST api/sentence' => ['text' => 'weekly tue 15:30', 'zone' => 'Africa/Nairobi'],
        in_array($route, ['POST api/board', 'POST api/times', 'POST api/room'], true) => [...sheet($meeting), 'index' => 0],
        str_ends_with($route, '/absences') => ['fromOn' => '2030-01-01', 'untilOn' => '2030-01-02', 'standInId' => null, 'note' => '', 'showsNote' => false],
        $route === 'POST api/people' => ['kind' => 'guest', 'email' => 'new@orchard.example'],
        $route === 'POST api/guests/check' => ['address' => 'new@orchard.example'],
        $route === 'POST api/guests' => ['addresses' => ['new@orchard.example']],
        $route === 'POST api/accounts' => ['personId' => $invited->id, 'role' => 'colleague'],
        $route === 'POST api/teams' => ['name' => 'Growers'],
        default => [],
    };
    if (str_ends_with($route, '/suggest')) {
        $path .= '?q=';
    }
    if ($asker !== null) {
        $this->actingAs($asker);
    }

    expect($this->json($method, '/' . $path, $body)->getStatusCode())->toBe($status);
})->with(function () use ($table): Generator {
    foreach ($table as $route => $statuses) {
        foreach (['nobody', 'an unconcerned colleague', 'a concerned colleague', 'a coordinator', 'an administrator'] as $who => $name) {
            yield "$route for $name" => [$route, $who, $statuses[$who]];
        }
    }
});

it('shuts the door to an account that was deactivated', function (): void {
    $this->actingAs(account(Role::Coordinator, values: ['deactivated_at' => now()]))->getJson('/api/today')->assertStatus(401);
});

it('gives no session to whom it refuses for want of one, so that a late answer replaces no new one', function (): void {
    $cookies = fn($answer): array => array_map(static fn($cookie): string => $cookie->getName(), $answer->headers->getCookies());

    expect($cookies($this->getJson('/api/today')->assertStatus(401)))->toBe([])
        ->and($cookies($this->getJson('/api/session')->assertOk()))->toContain('XSRF-TOKEN', config('session.cookie'));
});

it('lets a page listen to its own channel only', function (): void {
    $account = account(Role::Colleague);
    $this->actingAs($account);
    $ask = fn(string $channel): int => $this->get('/live-allowed', ['X-Live-Channel' => $channel])->getStatusCode();

    expect($ask('coordination'))->toBe(403)
        ->and($ask('account-' . strtolower($account->id)))->toBe(204)
        ->and($ask('account-' . strtolower(account(Role::Colleague)->id)))->toBe(403);
});

it('ends what a page listens to when its account may no longer', function (array $change): void {
    $account = account(Role::Coordinator);
    config(['syndex.live.publish_url' => 'http://127.0.0.1:9/publish']);
    Http::fake();
    DB::commit();
    try {
        $this->actingAs(account(Role::Administrator))->patchJson("/api/accounts/$account->id", $change)->assertOk();
    } finally {
        DB::table('accounts')->delete();
        DB::table('people')->delete();
        DB::beginTransaction();
    }
    foreach (['coordination', 'account-' . strtolower($account->id)] as $channel) {
        Http::assertSent(static fn($asked): bool => $asked->method() === 'DELETE' && $asked->url() === "http://127.0.0.1:9/publish/$channel");
    }
})->with(['deactivated' => [['active' => false]], 'another role' => [['role' => 'colleague']]]);

it('sends a policy without inline script on every page', function (string $path): void {
    $policy = (string) $this->get($path)->headers->get('Content-Security-Policy');

    expect($policy)->toContain("script-src 'self'")->not->toMatch("/script-src[^;]*unsafe/")->toContain("object-src 'none'")->toContain("frame-ancestors 'none'");
})->with(['/', '/api/session']);
