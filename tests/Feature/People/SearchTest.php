<?php

declare(strict_types=1);

use App\People\Role;
use App\People\Team;

use function Tests\Feature\account;
use function Tests\Feature\colleague;
use function Tests\Feature\guest;
use function Tests\Feature\meeting;

beforeEach(function (): void {
    $this->wanjiru = account(Role::Coordinator, colleague('Wanjiru Achola'));
    $this->actingAs($this->wanjiru);
    $this->find = fn(string $typed): array => array_map(static fn(array $p): string => $p['name'] ?? $p['email'], $this->getJson('/api/people/suggest?' . http_build_query(['q' => $typed]))->assertOk()->json());
});

it('puts the best guess first', function (string $typed, array $expected): void {
    foreach (['Anna Berg', 'Berta Annan', 'Susanna Roth', 'Hanna Berger', 'Dara Keane-Moss'] as $name) {
        colleague($name);
    }
    guest('anna@far.example');
    expect(array_slice(($this->find)($typed), 0, count($expected)))->toBe($expected);
})->with([
    'whose name begins so, then a guest\'s, then a later word, then a part' => ['anna', ['Anna Berg', 'anna@far.example', 'Berta Annan', 'Hanna Berger', 'Susanna Roth']],
    'a whole word' => ['berg', ['Anna Berg', 'Hanna Berger']],
    'two words in any order' => ['ber ann', ['Anna Berg', 'Berta Annan', 'Hanna Berger']],
    'initials of all words' => ['dkm', ['Dara Keane-Moss']],
    'initials, first and last' => ['dm', ['Dara Keane-Moss']],
]);

it('puts before all others whom one met of late', function (): void {
    foreach (['Anna Alder', 'Anna Berg', 'Anna Cole'] as $name) {
        colleague($name);
    }
    expect(($this->find)('anna'))->toBe(['Anna Alder', 'Anna Berg', 'Anna Cole']);
    meeting($this->wanjiru, [$this->wanjiru->person, App\People\Person::query()->where('name', 'Anna Cole')->firstOrFail()]);
    expect(($this->find)('anna'))->toBe(['Anna Cole', 'Anna Alder', 'Anna Berg']);
});

it('puts before others who is in a team with whoever asks, and finds by the team', function (): void {
    [$alder, $berg] = [colleague('Anna Alder'), colleague('Anna Berg')];
    $team = Team::query()->create(['name' => 'Dryland trials', 'name_key' => 'dryland trials']);
    $team->members()->attach([$this->wanjiru->person_id, $berg->id]);
    expect(($this->find)('anna'))->toBe(['Anna Berg', 'Anna Alder'])
        ->and(($this->find)('dryl'))->toBe(['Anna Berg', 'Wanjiru Achola'])
        ->and(($this->find)('anna trials'))->toBe(['Anna Berg']);
    $berg->update(['left_at' => now()]);
    expect(($this->find)('anna'))->toBe(['Anna Alder']);
});

it('finds whoever was met of late among very many of a name', function (): void {
    $rows = $lines = [];
    for ($i = 0; $i < 300; $i++) {
        $id = strtolower((string) Illuminate\Support\Str::ulid());
        $rows[] = ['id' => $id, 'kind' => 'colleague', 'name' => "Anna Aa$i", 'email' => "a$i@garden.example", 'email_key' => "a$i@garden.example", 'email_domain' => 'garden.example', 'list_key' => "0 anna aa$i"];
        $lines[] = ['person_id' => $id, 'text' => " anna aa$i", 'list_key' => "0 anna aa$i"];
    }
    Illuminate\Support\Facades\DB::table('people')->insert($rows);
    Illuminate\Support\Facades\DB::table('person_search')->insert($lines);
    meeting($this->wanjiru, [$this->wanjiru->person, colleague('Anna Zuber')]);
    expect(($this->find)('anna')[0])->toBe('Anna Zuber')->and(($this->find)('anna'))->toHaveCount(8);
});

it('lists the directory by any part of a name', function (): void {
    colleague('Inês Varela');
    expect($this->getJson('/api/people?q=arel')->json('people.*.name'))->toBe(['Inês Varela'])
        ->and($this->getJson('/api/people?q=va')->json('people.*.name'))->toBe(['Inês Varela'])
        ->and($this->getJson('/api/people?q=' . urlencode('%'))->json('people'))->toBe([]);
});
