<?php

declare(strict_types=1);

use App\HouseRules\HouseRules;
use App\People\Role;
use App\People\Team;
use App\Planning\Meeting;
use Illuminate\Support\Facades\DB;

use function Tests\Feature\account;
use function Tests\Feature\colleague;
use function Tests\Feature\meeting;
use function Tests\Feature\sent;
use function Tests\Feature\sheet;

beforeEach(function (): void {
    $this->wanjiru = account(Role::Coordinator, colleague('Wanjiru Achola'));
    $this->actingAs($this->wanjiru);
    [$this->corin, $this->ines, $this->mere] = [colleague('Corin Hale'), colleague('Inês Varela'), colleague('Mere Tautari')];
    $this->team = fn(string $name, array $people = [], ?string $parent = null): string => $this->postJson('/api/teams', ['name' => $name, 'parentId' => $parent, 'personIds' => array_map(static fn($p): string => $p->id, $people)])->assertCreated()->json('id');
    $this->sizes = fn(): array => collect($this->getJson('/api/teams')->assertOk()->json())->mapWithKeys(static fn(array $t): array => [$t['name'] => [$t['own'], $t['all']]])->all();
});

it('lies within others, and counts everybody once', function (): void {
    $growers = ($this->team)('Growers', [$this->corin]);
    $dry = ($this->team)('Dryland', [$this->corin, $this->ines], $growers);
    ($this->team)('Ferns', [$this->mere], $dry);
    expect(($this->sizes)())->toBe(['Dryland' => [2, 3], 'Ferns' => [1, 1], 'Growers' => [1, 3]]);
    $this->mere->update(['left_at' => now()]);
    expect(($this->sizes)()['Growers'])->toBe([1, 2]);
    // Taken out, its people stay, and what lay within it lies where it lay.
    $this->deleteJson("/api/teams/$dry")->assertNoContent();
    expect(($this->sizes)())->toBe(['Ferns' => [0, 0], 'Growers' => [1, 1]])->and(Team::query()->where('name', 'Ferns')->value('parent_id'))->toBe($growers);
});

it('has a name of its own, and never lies within itself', function (): void {
    $a = ($this->team)('Growers');
    $b = ($this->team)('Dryland', [], $a);
    $this->postJson('/api/teams', ['name' => ' gröwers '])->assertStatus(422)->assertJsonValidationErrors('name');
    $this->postJson('/api/teams', ['name' => '—'])->assertStatus(422)->assertJsonValidationErrors('name');
    $this->patchJson("/api/teams/$a", ['parentId' => $b])->assertStatus(422)->assertJsonValidationErrors('parentId');
    $this->patchJson("/api/teams/$a", ['parentId' => $a])->assertStatus(422)->assertJsonValidationErrors('parentId');
    $this->patchJson("/api/teams/$a", ['parentId' => 'nowhere'])->assertStatus(422);
    $this->patchJson("/api/teams/$b", ['parentId' => null, 'name' => 'Dry lands'])->assertOk();
    expect(Team::query()->whereKey($b)->first()?->only(['name', 'parent_id']))->toBe(['name' => 'Dry lands', 'parent_id' => null]);
    for ($depth = 0, $above = $a; $depth < 6; $depth++) {
        $above = ($this->team)("Level $depth", [], $above);
    }
    $this->postJson('/api/teams', ['name' => 'Too deep', 'parentId' => $above])->assertStatus(422)->assertJsonValidationErrors('parentId');
});

it('takes people in and out, a page at a time', function (): void {
    $team = ($this->team)('Growers', [$this->corin]);
    $this->postJson("/api/teams/$team/members", ['add' => [$this->ines->id, $this->corin->id, 'nobody'], 'remove' => [$this->mere->id]])->assertOk()->assertJson(['size' => 2]);
    expect($this->getJson("/api/teams/$team")->json('members.*.name'))->toBe(['Corin Hale', 'Inês Varela']);
    $this->postJson("/api/teams/$team/members", ['remove' => [$this->corin->id]])->assertJson(['size' => 1]);
    expect($this->getJson("/api/people/{$this->ines->id}")->json('teams'))->toBe([['id' => $team, 'name' => 'Growers']]);
});

it('is found by how any word of its name begins', function (string $typed, array $found): void {
    ($this->team)('All growers', [$this->corin]);
    ($this->team)('Général', [$this->corin]);
    ($this->team)('Empty growers');
    expect($this->getJson('/api/teams/suggest?q=' . urlencode($typed))->json('*.name'))->toBe($found);
})->with([['grow', ['All growers']], ['gene', ['Général']], ['al', ['All growers']], ['rowers', []], ['', []], ['all gro', ['All growers']]]);

describe('on a meeting', function (): void {
    it('says how large it is, and how it was last time, where it is large', function (): void {
        app(HouseRules::class)->set(['largeTeam' => 3]);
        $team = ($this->team)('Growers', [$this->corin, $this->ines]);
        expect($this->getJson("/api/teams/$team/as-asked")->json('last'))->toBeNull();
        sent(meeting($this->wanjiru, [$this->wanjiru->person, $this->corin], ['title' => 'Other']));
        $asked = $this->getJson("/api/teams/$team/as-asked")->assertOk()->json();
        expect([$asked['isLarge'], count($asked['people']), $asked['last']])->toBe([false, 2, ['title' => 'Other', 'minutes' => 45, 'people' => 2]]);
        $this->postJson("/api/teams/$team/members", ['add' => [$this->mere->id]]);
        expect($this->getJson("/api/teams/$team/as-asked")->json('isLarge'))->toBeTrue();
    });

    it('stays a team: who joined can be asked, who left taken out, and all of it taken out again', function (): void {
        $team = ($this->team)('Growers', [$this->corin, $this->ines]);
        $meeting = meeting($this->wanjiru, [$this->wanjiru->person]);
        $asked = fn(array $people): array => [['personId' => $this->wanjiru->person_id, 'role' => 'required'], ...array_map(static fn($p): array => ['personId' => $p->id, 'role' => 'required', 'teamId' => $team], $people)];
        $kept = $this->putJson("/api/meetings/$meeting->id", sheet($meeting, ['attendees' => $asked([$this->corin, $this->ines])]))->assertOk()->json();
        expect(array_column($kept['attendees'], 'teamId'))->toBe([null, $team, $team]);

        $this->postJson("/api/teams/$team/members", ['add' => [$this->mere->id], 'remove' => [$this->corin->id]]);
        $teams = fn(): array => $this->postJson('/api/board', [...sheet($meeting->refresh(), ['attendees' => $asked([$this->corin, $this->ines])]), 'index' => 0])->assertOk()->json('teams');
        expect([$teams()[0]['size'], array_column($teams()[0]['notAsked'], 'name'), $teams()[0]['left']])->toBe([2, ['Mere Tautari'], [$this->corin->id]]);

        // Kept through a copy, and on the sheet of a change.
        $copy = $this->postJson('/api/meetings', ['from' => $meeting->id])->json();
        expect(array_column($copy['attendees'], 'teamId'))->toBe([null, $team, $team]);
        $sent = sent($meeting->refresh());
        $sheet = $this->postJson("/api/meetings/$sent->id/change")->assertCreated()->json();
        expect(array_column($sheet['attendees'], 'teamId'))->toBe([null, $team, $team]);

        // Dissolved, its people are asked still.
        $this->deleteJson("/api/teams/$team")->assertNoContent();
        expect(array_column($this->getJson("/api/meetings/$sent->id")->json('attendees'), 'teamId'))->toBe([null, null, null]);
        $again = $this->putJson("/api/meetings/{$copy['id']}", [...sheet(Meeting::query()->findOrFail($copy['id'])), 'attendees' => $asked([$this->ines])])->assertOk()->json();
        expect(array_column($again['attendees'], 'teamId'))->toBe([null, null]);
    });

    it('begins one', function (): void {
        $team = ($this->team)('Growers', [$this->corin, $this->ines]);
        $made = $this->postJson('/api/meetings', ['team' => $team])->assertCreated()->json();
        expect(array_map(static fn(array $a): array => [$a['person']['name'], $a['teamId']], $made['attendees']))->toBe([['Wanjiru Achola', null], ['Corin Hale', $team], ['Inês Varela', $team]]);
        $this->postJson('/api/meetings', ['team' => 'nowhere'])->assertStatus(422);
    });

    it('can be of thousands', function (): void {
        $ids = [];
        foreach (array_chunk(range(1, 2500), 500) as $some) {
            $rows = array_map(static fn(int $i): array => ['id' => strtolower((string) Illuminate\Support\Str::ulid()), 'kind' => 'colleague', 'name' => "Person $i", 'email' => "p$i@garden.example", 'email_key' => "p$i@garden.example", 'email_domain' => 'garden.example', 'list_key' => "0 person $i", 'zone' => ['Africa/Nairobi', 'Europe/Lisbon'][$i % 2]], $some);
            DB::table('people')->insert($rows);
            array_push($ids, ...array_column($rows, 'id'));
        }
        $team = $this->postJson('/api/teams', ['name' => 'Everybody', 'personIds' => $ids])->assertCreated()->assertJson(['size' => 2500])->json('id');
        expect($this->getJson("/api/teams/$team/as-asked")->json('isLarge'))->toBeTrue();
        $made = $this->postJson('/api/meetings', ['team' => $team])->assertCreated()->json();
        $meeting = Meeting::query()->findOrFail($made['id']);
        $attendees = array_map(static fn(array $a): array => ['personId' => $a['person']['id'], 'role' => $a['role'], 'teamId' => $a['teamId']], $made['attendees']);
        $board = $this->postJson('/api/board', [...sheet($meeting, ['attendees' => $attendees, 'rule' => null]), 'index' => 0])->assertOk()->json();
        expect(count($board['board']['people']))->toBe(2501)->and($board['teams'][0]['size'])->toBe(2500);
        $attendees[5]['role'] = 'optional';
        $this->putJson("/api/meetings/$meeting->id", sheet($meeting, ['attendees' => $attendees]))->assertOk();
        $attendees[] = $attendees[0];
        $this->putJson("/api/meetings/$meeting->id", sheet($meeting->refresh(), ['attendees' => $attendees]))->assertStatus(422)->assertJsonValidationErrors('attendees.2501.personId');
    });
});
