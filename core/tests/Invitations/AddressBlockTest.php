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

it('reads the examples of RFC 5322, appendix A', function (string $typed, array $expected): void {
    expect(block($typed))->toBe($expected);
})->with([
    'A.1.1' => ['From: John Doe <jdoe@machine.example>', ['John Doe <jdoe@machine.example>']],
    'A.1.2, From' => ['From: "Joe Q. Public" <john.q.public@example.com>', ['Joe Q. Public <john.q.public@example.com>']],
    'A.1.2, To' => ['To: Mary Smith <mary@x.test>, jdoe@example.org, Who? <one@y.test>', ['Mary Smith <mary@x.test>', 'jdoe@example.org', 'Who? <one@y.test>']],
    'A.1.2, Cc, with a quoted pair' => ['Cc: <boss@nil.test>, "Giant; \"Big\" Box" <sysservices@example.net>', ['boss@nil.test', 'Giant; "Big" Box <sysservices@example.net>']],
    'A.1.3, a group' => ['To: A Group:Ed Jones <c@a.test>,joe@where.test,John <jdoe@one.test>;', ['Ed Jones <c@a.test>', 'joe@where.test', 'John <jdoe@one.test>']],
    'A.1.3, a group of nobody' => ['Cc: Undisclosed recipients:;', ['?no_at']],
    'A.2, a colon in quotes' => ['Reply-To: "Mary Smith: Personal Account" <smith@home.example>', ['Mary Smith: Personal Account <smith@home.example>']],
    'A.5, comments in an address' => ['From: Pete(A nice \) chap) <pete(his account)@silly.test(his host)>', ['Pete(A nice \) chap) <pete@silly.test>']],
    'A.5, comments in a group' => ["To:A Group(Some people)\n     :Chris Jones <c@(Chris's host.)public.example>,\n         joe@example.org,\n  John <jdoe@one.test> (my dear friend); (the end of the group)", ['Chris Jones <c@public.example>', 'joe@example.org', 'John <jdoe@one.test>']],
    // 4.4: routes and blanks within, that nobody may write any more: refused, and what was meant is offered where it can be told.
    'A.6.1, obsolete' => ['To: Mary Smith <@node.test:mary@example.net>, , jdoe@test  . example', ['?two_at', '?bad_domain']],
]);

it('reads a mailbox as RFC 5321 4.1.2 and RFC 6531 3.3 have it, as far as people have such', function (string $typed, ?string $address): void {
    expect(MailAddress::check($typed)->address)->toBe($address);
})->with([
    'Atom and Domain' => ['userc@d.bar.example', 'userc@d.bar.example'],
    'every sign of atext, RFC 5322 3.2.3' => ["!#$%&'*+-/=?^_`{|}~@x.example", "!#$%&'*+-/=?^_`{|}~@x.example"],
    'Local-part of 64 octets, 4.5.3.1.1' => [str_repeat('a', 64) . '@x.example', str_repeat('a', 64) . '@x.example'],
    'one octet more' => [str_repeat('a', 65) . '@x.example', null],
    'a label of 63 octets, RFC 1035 2.3.4' => ['a@' . str_repeat('b', 63) . '.example', 'a@' . str_repeat('b', 63) . '.example'],
    'one octet more in a label' => ['a@' . str_repeat('b', 64) . '.example', null],
    // Quoted strings and address literals may stand in a mailbox; nobody is reached by one from here.
    'Quoted-string' => ['"a b"@x.example', null],
    'address-literal' => ['a@[192.0.2.1]', null],
    'RFC 6531 3.3, UTF8-non-ascii in atext' => ['用户@x.example', '用户@x.example'],
    'RFC 6531 3.3, U-label in a sub-domain' => ['a@例子.example', 'a@xn--fsqu00a.example'],
]);

it('loses nothing of what is too tangled to be read', function (string $typed): void {
    expect(AddressBlock::read($typed))->toHaveCount(1);
})->with([[str_repeat('(', 50_000)], [str_repeat('(a)', 30_000)], [str_repeat('"', 50_001)], [str_repeat('"\\', 30_000)], [str_repeat('> (', 20_000)]]);

it('reads comments as people write them', function (string $typed, array $expected): void {
    expect(block($typed))->toBe($expected);
})->with([
    'the name behind the address, of old' => ['rosa@x.example (Rosa Quispe), b@x.example', ['Rosa Quispe <rosa@x.example>', 'b@x.example']],
    'in a name, where it belongs' => ['Rosa (trials) <rosa@x.example>', ['Rosa (trials) <rosa@x.example>']],
    'a link' => ['mailto:rosa@x.example', ['rosa@x.example']],
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
