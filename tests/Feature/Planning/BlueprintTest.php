<?php

declare(strict_types=1);

use App\People\Role;
use App\People\Team;
use App\Planning\Blueprint;
use App\Planning\Meeting;

use function Tests\Feature\account;
use function Tests\Feature\colleague;
use function Tests\Feature\guest;
use function Tests\Feature\meeting;
use function Tests\Feature\noRoom;
use function Tests\Feature\repeats;
use function Tests\Feature\sheet;

beforeEach(function (): void {
    $this->travelTo('2026-11-25T09:00:00Z');
    $this->coordinator = account(Role::Coordinator, colleague('Wanjiru Achola'));
    $this->actingAs($this->coordinator);
    $this->ines = colleague('Inês Varela', 'Europe/Lisbon');
    $this->lena = guest('lena@orchard.example');
    $this->meeting = meeting($this->coordinator, [$this->coordinator->person, $this->ines, $this->lena], ['starts_local' => '2026-12-08 15:30:00', 'rrule' => 'FREQ=WEEKLY;BYDAY=TU;COUNT=4', 'title' => 'Board', 'join_mode' => 'online', 'room' => ['settings' => ['lobby' => ['everyone']], 'coHosts' => [$this->ines->id], 'presenters' => [], 'account' => null, 'reason' => null]]);
    $this->meeting->agenda()->create(['position' => 0, 'title' => 'Minutes of last time', 'minutes' => 5, 'speaker' => 'Inês']);
    $this->keep = fn(array $entry = []) => $this->postJson('/api/blueprints', ['meetingId' => $this->meeting->id, 'name' => 'Board meeting', 'words' => 'Please read the papers first.', ...$entry]);
});

it('begins a draft with all that its meeting was, on dates ahead, with no link', function (): void {
    $blueprint = ($this->keep)()->assertCreated()->json();
    expect($blueprint)->toMatchArray(['name' => 'Board meeting', 'title' => 'Board', 'repeats' => 'every Tuesday', 'clock' => '15:30', 'city' => 'Nairobi', 'people' => 3, 'joinMode' => 'online', 'lobby' => ['everyone'], 'used' => 0, 'owner' => null, 'team' => null, 'mayChange' => true]);

    expect($blueprint['used'])->toBe(0);
    $this->travelTo('2027-02-03T09:00:00Z');
    $draft = $this->postJson('/api/meetings', ['blueprint' => $blueprint['id']])->assertCreated()->json();
    expect($draft)->toMatchArray(['status' => 'draft', 'title' => 'Board', 'startLocal' => '2027-02-09T15:30:00', 'kit' => null, 'room' => [...noRoom(), 'settings' => ['lobby' => ['everyone']], 'coHosts' => [$this->ines->id]], 'blueprint' => ['id' => $blueprint['id'], 'name' => 'Board meeting', 'differs' => []]])
        ->and(array_column(array_column($draft['attendees'], 'person'), 'id'))->toBe([$this->coordinator->person_id, $this->ines->id, $this->lena->id])
        ->and($draft['agenda'][0])->toMatchArray(['title' => 'Minutes of last time', 'minutes' => 5, 'speaker' => 'Inês'])
        ->and($draft['rule']['count'])->toBe(4)
        ->and($this->getJson('/api/blueprints')->json('blueprints.0.used'))->toBe(1)
        ->and($this->getJson("/api/meetings/$draft[id]/read-back")->json('words'))->toBe('Please read the papers first.');
});

it('says where a meeting differs by now, and takes that over', function (array $changes, array $parts): void {
    $blueprint = ($this->keep)()->json();
    $draft = Meeting::query()->findOrFail($this->postJson('/api/meetings', ['blueprint' => $blueprint['id']])->json('id'));
    $sheet = sheet($draft, ['joinMode' => 'online', 'rule' => repeats(['count' => 4]), 'startLocal' => $draft->starts_local->format('Y-m-d\TH:i:s'), 'room' => ['settings' => ['lobby' => ['everyone']], 'coHosts' => [$this->ines->id], 'presenters' => [], 'account' => null, 'reason' => null], 'agenda' => [['title' => 'Minutes of last time', 'minutes' => 5, 'speaker' => 'Inês']]]);
    $kept = $this->putJson("/api/meetings/$draft->id", [...$sheet, ...$changes])->assertOk()->json('blueprint.differs');
    expect($kept)->toBe($parts);

    $this->putJson("/api/blueprints/$blueprint[id]/content", ['meetingId' => $draft->id])->assertOk();
    expect($this->getJson("/api/meetings/$draft->id")->json('blueprint.differs'))->toBe([]);
})->with([
    'nothing' => [[], []],
    'later dates alone are no difference' => [['startLocal' => '2027-06-08T15:30:00'], []],
    'fewer of them neither' => [['rule' => repeats(['count' => 2])], []],
    'another time' => [['startLocal' => '2027-06-08T16:00:00'], ['when']],
    'repeats' => [['rule' => repeats(['count' => 4, 'interval' => 2])], ['when']],
    'length and title' => [['durationMinutes' => 60, 'title' => 'Boards'], ['title', 'length']],
    'who gets in' => [['room' => ['settings' => [], 'coHosts' => [], 'presenters' => [], 'account' => null, 'reason' => null]], ['room']],
    'agenda and purpose' => [['agenda' => [], 'purpose' => 'Decide'], ['purpose', 'agenda']],
    'how to join' => [['joinMode' => 'both', 'place' => 'Glasshouse 2'], ['join']],
]);

it('goes on with whoever is still there', function (): void {
    $blueprint = ($this->keep)()->json();
    $this->ines->update(['left_at' => now()]);
    $draft = $this->postJson('/api/meetings', ['blueprint' => $blueprint['id']])->assertCreated()->json();

    expect(array_column(array_column($draft['attendees'], 'person'), 'id'))->toBe([$this->coordinator->person_id, $this->lena->id])->and($this->getJson('/api/blueprints')->json('blueprints.0.people'))->toBe(2);
});

it('is one’s own, or shared with a team of one’s own, who use it and cannot change it', function (): void {
    $team = Team::query()->create(['name' => 'Trials', 'name_key' => 'trials']);
    $other = Team::query()->create(['name' => 'Others', 'name_key' => 'others']);
    $member = account(Role::Coordinator, colleague('Joram Kiptui'));
    $team->members()->attach([$this->coordinator->person_id, $member->person_id]);
    ($this->keep)(['teamId' => $other->id])->assertNotFound();
    $own = ($this->keep)()->json('id');
    $shared = ($this->keep)(['name' => 'Trial review', 'teamId' => $team->id])->assertCreated()->json('id');

    $this->actingAs($member);
    expect($this->getJson('/api/blueprints')->json('blueprints'))->toHaveCount(1)
        ->and($this->getJson('/api/blueprints')->json('blueprints.0'))->toMatchArray(['id' => $shared, 'owner' => 'Wanjiru Achola', 'team' => ['id' => $team->id, 'name' => 'Trials'], 'mayChange' => false]);
    $this->postJson('/api/meetings', ['blueprint' => $own])->assertNotFound();
    $this->postJson('/api/meetings', ['blueprint' => $shared])->assertCreated();
    $this->patchJson("/api/blueprints/$shared", ['name' => 'Mine'])->assertForbidden();
    $this->patchJson("/api/blueprints/$own", ['name' => 'Mine'])->assertNotFound();
    $this->putJson("/api/blueprints/$shared/content", ['meetingId' => $this->meeting->id])->assertForbidden();
    $this->deleteJson("/api/blueprints/$shared")->assertForbidden();
    $this->deleteJson("/api/blueprints/$own")->assertNotFound();
});

it('is named once, renamed, put in order and deleted; its meetings stay', function (): void {
    $ids = array_map(fn(string $name): string => ($this->keep)(['name' => $name])->assertCreated()->json('id'), ['One', 'Two', 'Three']);
    ($this->keep)(['name' => ' twó '])->assertStatus(422)->assertJsonValidationErrors('name');
    ($this->keep)(['name' => ' '])->assertStatus(422)->assertJsonValidationErrors('name');
    $this->patchJson("/api/blueprints/$ids[0]", ['name' => 'Two'])->assertStatus(422)->assertJsonValidationErrors('name');
    $this->patchJson("/api/blueprints/$ids[0]", ['name' => 'First', 'words' => ''])->assertOk()->assertJson(['name' => 'First', 'words' => '']);
    expect(array_column($this->putJson('/api/blueprints/order', ['ids' => [$ids[2], 'none', $ids[0]]])->assertOk()->json('blueprints'), 'name'))->toBe(['Three', 'First', 'Two']);

    $draft = $this->postJson('/api/meetings', ['blueprint' => $ids[2]])->json('id');
    $this->deleteJson("/api/blueprints/$ids[2]")->assertNoContent();
    expect(Blueprint::query()->count())->toBe(2)->and($this->getJson("/api/meetings/$draft")->assertOk()->json('blueprint'))->toBeNull();
    $this->postJson('/api/meetings', ['blueprint' => $ids[2]])->assertNotFound();
});

it('is no business of whoever does not plan, and neither is how a room is settled', function (): void {
    $id = ($this->keep)()->json('id');
    $this->meeting->update(['status' => 'sent']);
    $this->actingAs(account(Role::Colleague, $this->ines));
    expect($this->getJson("/api/meetings/{$this->meeting->id}")->assertOk()->json())->toMatchArray(['blueprint' => null, 'room' => noRoom()]);
    $this->getJson('/api/blueprints')->assertForbidden();
    $this->postJson('/api/meetings', ['blueprint' => $id])->assertForbidden();
});
