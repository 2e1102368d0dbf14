<?php

declare(strict_types=1);

use Syndex\Core\Invitations\MailAddress;

describe('MailAddress::check', function (): void {
    it('takes addresses of the common shape (RFC 5322 3.4.1)', function (string $typed, string $address, ?string $name): void {
        $check = MailAddress::check($typed);

        expect([$check->address, $check->name, $check->problem])->toBe([$address, $name, null]);
    })->with([
        ['rosa@anden.example', 'rosa@anden.example', null],
        ['  Rosa.Quispe+trials@Anden.Example ', 'Rosa.Quispe+trials@anden.example', null],
        ['Rosa Quispe <rosa@anden.example>', 'rosa@anden.example', 'Rosa Quispe'],
        ['"Quispe, Rosa" <rosa@anden.example>', 'rosa@anden.example', 'Quispe, Rosa'],
        ['mailto:rosa@anden.example', 'rosa@anden.example', null],
        ['müller@gärten.example', 'müller@xn--grten-gra.example', null],
    ]);

    // Common practice, no published source: the slips that people make.
    it('offers what was probably meant', function (string $typed, string $problem, string $suggestion): void {
        $check = MailAddress::check($typed, ['anden.example', 'orchard.example']);

        expect([$check->problem, $check->suggestion])->toBe([$problem, $suggestion]);
    })->with([
        'a comma for a dot' => ['rosa@anden,example', 'bad_domain', 'rosa@anden.example'],
        'a doubled dot' => ['rosa@anden..example', 'bad_domain', 'rosa@anden.example'],
        'a dot at the end' => ['rosa@anden.example.', 'bad_domain', 'rosa@anden.example'],
        'a dot before the at' => ['rosa.@anden.example', 'bad_local', 'rosa@anden.example'],
        'two ats' => ['rosa@@anden.example', 'two_at', 'rosa@anden.example'],
        'a blank within' => ['rosa @anden.example', 'bad_local', 'rosa@anden.example'],
        'an ending that is none' => ['rosa@gardens.con', 'slip', 'rosa@gardens.com'],
        'a known domain, a letter off' => ['rosa@andn.example', 'slip', 'rosa@anden.example'],
        'a known domain, two letters swapped' => ['rosa@orhcard.example', 'slip', 'rosa@orchard.example'],
    ]);

    it('says what is wrong where nothing can be offered', function (string $typed, string $problem): void {
        $check = MailAddress::check($typed);

        expect([$check->address, $check->problem])->toBe([null, $problem]);
    })->with([['', 'empty'], ['rosa', 'no_at'], ['rosa@anden', 'no_dot'], ['@anden.example', 'bad_local'], ['rosa@', 'bad_domain'], ['rosa@10.0.0.1', 'no_dot'], ["rosa\r\nBcc: x@y.example", 'bad_local']]);
});
