<?php

declare(strict_types=1);

use Syndex\Core\Invitations\AddressBlock;
use Syndex\Core\Invitations\AddressCheck;
use Syndex\Core\Invitations\MailAddress;

/** @return list<string> each as "name <address>", "address" or "?problem" */
function block(string $typed): array
{
    return array_map(static fn(AddressCheck $c): string => $c->address === null ? "?$c->problem" : ($c->name === null ? $c->address : "$c->name <$c->address>"), AddressBlock::read($typed));
}

it('reads a block of addresses one by one', function (string $typed, array $expected): void {
    expect(block($typed))->toBe($expected);
})->with([
    'as copied from a mail' => ['a@x.example, b@x.example; Karl Drei <c@x.example>', ['a@x.example', 'b@x.example', 'Karl Drei <c@x.example>']],
    'one' => ['a@x.example', ['a@x.example']],
    'one with a name' => ['Karl Drei <c@x.example>', ['Karl Drei <c@x.example>']],
    'a line each' => ["a@x.example\r\nb@x.example\n\nc@x.example\n", ['a@x.example', 'b@x.example', 'c@x.example']],
    'spaces only' => ['a@x.example b@x.example', ['a@x.example', 'b@x.example']],
    'a name turned round' => ['Drei, Karl <c@x.example>, a@x.example', ['Drei, Karl <c@x.example>', 'a@x.example']],
    'a name in quotes, RFC 5322 3.4' => ['"Drei, Karl" <c@x.example>; "B" <b@x.example>', ['Drei, Karl <c@x.example>', 'B <b@x.example>']],
    'the head of a mail' => ["To: a@x.example, b@x.example\nCc: c@x.example", ['a@x.example', 'b@x.example', 'c@x.example']],
    'names after names' => ['Ana <a@x.example>, Bo <b@x.example>, c@x.example', ['Ana <a@x.example>', 'Bo <b@x.example>', 'c@x.example']],
    'separators at the ends' => [' , a@x.example;; ', ['a@x.example']],
    'twice the same' => ['a@x.example; A@X.example', ['a@x.example']],
    'one that is none among good ones' => ['a@x.example, nobody, b@x.example', ['a@x.example', '?no_at', 'b@x.example']],
    'a comma for a dot' => ['rosa@anden,example, b@x.example', ['?bad_domain', 'b@x.example']],
    'an accent' => ['josé@x.example, jose@x.example', ['josé@x.example', 'jose@x.example']],
    'nothing' => ['  ', []],
]);

it('stops at a bound, however long the text', function (): void {
    expect(AddressBlock::read(implode(',', array_map(static fn(int $i): string => "a$i@x.example", range(1, 2000)))))->toHaveCount(AddressBlock::MOST + 1);
});

it('tells addresses apart by accents and not by letter case', function (string $a, string $b, bool $same): void {
    expect(MailAddress::key($a) === MailAddress::key($b))->toBe($same);
})->with([
    'accent' => ['josé@x.example', 'jose@x.example', false],
    'letter case' => ['Jose@x.example', 'jose@X.example', true],
    'composed and taken apart' => ["jose\u{301}@x.example", 'josé@x.example', true],
    'sharp s' => ['strasse@x.example', 'straße@x.example', false],
]);

it('does not take what nobody sees', function (string $address): void {
    $check = MailAddress::check($address);

    expect($check->address)->toBeNull()->and($check->problem)->toBe('invisible')->and($check->suggestion)->toBe('rosa@anden.example');
})->with(['zero width' => ["ro\u{200B}sa@anden.example"], 'soft hyphen' => ["rosa@an\u{AD}den.example"], 'right to left' => ["\u{202E}rosa@anden.example"], 'NUL' => ["rosa\0@anden.example"]]);

it('cuts a name that is too long', function (): void {
    expect(mb_strlen((string) MailAddress::check(str_repeat('ä', 250) . ' <a@x.example>')->name))->toBe(200);
});
