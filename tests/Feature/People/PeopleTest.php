<?php

declare(strict_types=1);

use App\People\Person;
use App\People\Role;

use function Tests\Feature\account;
use function Tests\Feature\colleague;
use function Tests\Feature\guest;

beforeEach(fn() => $this->actingAs(account(Role::Coordinator)));

it('suggests by any part of a name or an address, accents aside, colleagues first', function (string $typed, array $names): void {
    colleague('Inês Varela');
    colleague('Birte Aldenhoff');
    colleague('Ignacio Pehuén');
    guest('ines@anden.example');

    expect(array_map(static fn(array $p) => $p['name'] ?? $p['email'], $this->getJson('/api/people/suggest?' . http_build_query(['q' => $typed]))->json()))->toBe($names);
})->with([
    'without the accent' => ['ines', ['Inês Varela', 'ines@anden.example']],
    'with it' => ['Inês', ['Inês Varela', 'ines@anden.example']],
    'by surname' => ['var', ['Inês Varela']],
    'both, in any order' => ['vare in', ['Inês Varela']],
    'by address' => ['birte.ald', ['Birte Aldenhoff']],
    'accent at the end' => ['pehuen', ['Ignacio Pehuén']],
    'the middle of a word' => ['arela', ['Inês Varela']],
    'initials' => ['iv', ['Inês Varela']],
    'two letters within a word are nothing' => ['re', []],
    'wild cards are letters' => ['%', []],
]);

it('checks a guest as typed and remembers one that was taken', function (): void {
    guest('rosa@anden.example');
    $this->postJson('/api/guests/check', ['address' => 'rosa@anden,example'])->assertJson(['addresses' => [['address' => null, 'problem' => 'bad_domain', 'suggestion' => 'rosa@anden.example']]]);
    $this->postJson('/api/guests/check', ['address' => 'lena@andn.example'])->assertJson(['addresses' => [['problem' => 'slip', 'suggestion' => 'lena@anden.example']]]);

    expect(Person::query()->where('email', 'like', 'lena%')->exists())->toBeFalse();
    $first = $this->postJson('/api/guests', ['addresses' => ['Lena Strand <lena@orchard.example>']])->assertOk()->json('0');
    $again = $this->postJson('/api/guests', ['addresses' => ['lena@ORCHARD.example']])->assertOk()->json('0');

    expect($first['name'])->toBe('Lena Strand')->and($again['id'])->toBe($first['id']);
    $this->postJson('/api/guests', ['addresses' => ['fine@orchard.example', 'lena@orchard']])->assertStatus(422)->assertJson(['errors' => ['addresses.1' => [__('people.address_no_dot')]]]);
    expect(Person::query()->where('email', 'fine@orchard.example')->exists())->toBeFalse();
});

it('tells people apart by every accent of their address, and not by letter case', function (): void {
    $ids = array_map(fn(string $address): string => $this->postJson('/api/guests', ['addresses' => [$address]])->assertOk()->json('0.id'), ['josé@orchard.example', 'jose@orchard.example', 'José@Orchard.example', 'josé@orchard.example']);

    expect($ids[0])->toBe($ids[2])->toBe($ids[3])->and($ids[1])->not->toBe($ids[0]);
});

it('remembers a block of addresses, each with the name beside it', function (): void {
    $read = $this->postJson('/api/guests/check', ['address' => 'a@x.example, b@x.example; Karl Drei <c@x.example>'])->assertOk()->json('addresses');
    $made = $this->postJson('/api/guests', ['addresses' => ['a@x.example', 'b@x.example', 'Karl Drei <c@x.example>']])->assertOk()->json();

    expect(array_column($read, 'address'))->toBe(['a@x.example', 'b@x.example', 'c@x.example'])->and(array_column($made, 'name'))->toBe([null, null, 'Karl Drei']);
});

it('keeps zone, language and hours of a person, and refuses what cannot be', function (array $given, ?string $field): void {
    $person = colleague('Inês Varela');
    $answer = $this->patchJson("/api/people/$person->id", $given);

    $field === null ? $answer->assertOk()->assertJson($given) : $answer->assertStatus(422)->assertJsonStructure(['errors' => [$field]]);
})->with([
    'zone and hours' => [['zone' => 'Europe/Lisbon', 'hours' => ['mon' => [['09:00', '12:30'], ['14:00', '18:00']]]], null],
    'an unknown zone' => [['zone' => 'Mars/Base'], 'zone'],
    'hours that end before they begin' => [['hours' => ['mon' => [['17:00', '09:00']]]], 'hours'],
    'an address that cannot be' => [['email' => 'ines@'], 'email'],
    'a language that is none' => [['language' => 'english please'], 'language'],
]);

it('does not take an address that somebody has', function (): void {
    colleague('Inês Varela');
    $this->postJson('/api/people', ['kind' => 'guest', 'email' => 'ines.varela@garden.example'])->assertStatus(422)->assertJsonStructure(['errors' => ['email']]);
});

it('lists the directory a page at a time', function (): void {
    for ($i = 0; $i < 55; $i++) {
        guest("guest$i@orchard.example");
    }
    $this->getJson('/api/people?kind=guest&page=2')->assertJson(['page' => 2, 'pages' => 2, 'total' => 55])->assertJsonCount(5, 'people');
});
