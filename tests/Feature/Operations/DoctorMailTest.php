<?php

declare(strict_types=1);

use App\Invitations\Dispatch;
use App\Invitations\MakeMail;
use App\Operations\SystemDns;
use App\People\Role;
use Illuminate\Support\Facades\Artisan;
use Symfony\Component\Process\Process;

use function Tests\Feature\account;
use function Tests\Feature\colleague;
use function Tests\Feature\meeting;
use function Tests\Feature\sent;

beforeEach(function (): void {
    $this->dir = sys_get_temp_dir() . '/syndex-dkim-' . bin2hex(random_bytes(6));
    mkdir($this->dir);
    $key = openssl_pkey_new(['private_key_bits' => 2048, 'private_key_type' => OPENSSL_KEYTYPE_RSA]);
    openssl_pkey_export_to_file($key, "$this->dir/key.pem");
    $this->public = 'v=DKIM1; k=rsa; p=' . preg_replace('/-----[^-]+-----|\s/', '', (string) openssl_pkey_get_details($key)['key']);
    $this->dns = function (array $table): void {
        file_put_contents("$this->dir/dns.json", json_encode($table));
        config(['syndex.dns_table' => "$this->dir/dns.json"]);
    };
    $this->doctor = function (): array {
        Artisan::call('doctor:mail');

        return explode("\n", trim(Artisan::output()));
    };
    config(['syndex.mail_domain' => 'syndex.example']);
});

afterEach(fn() => array_map(unlink(...), glob("$this->dir/*") ?: []) && rmdir($this->dir));

it('says what the DNS says of our mail', function (array $table, array $said, bool $withKey = true): void {
    config(['syndex.dkim.key_file' => $withKey ? "$this->dir/key.pem" : null]);
    ($this->dns)(array_map(fn(array $texts): array => array_map(fn(string $t): string => $t === 'our key' ? $this->public : $t, $texts), $table));
    foreach (($this->doctor)() as $at => $line) {
        expect($line)->toStartWith($said[$at]);
    }
})->with([
    'all is well' => [['syndex.example' => ['v=spf1 ip4:203.0.113.25 -all', 'something else'], 'syndex._domainkey.syndex.example' => ['our key'], '_dmarc.syndex.example' => ['v=DMARC1; p=reject']], ['ok|SPF of syndex.example  v=spf1', 'ok|DKIM at syndex._domainkey.syndex.example  the key is there', 'ok|DMARC of syndex.example  v=DMARC1; p=reject']],
    'nothing is there' => [[], ['fault|SPF of syndex.example  there is none|See docs/mail.md.', 'fault|DKIM at syndex._domainkey.syndex.example  the public key is not there|Set this text there:  v=DKIM1; k=rsa; p=', 'fault|DMARC of syndex.example  there is none']],
    'two SPF texts, another key' => [['syndex.example' => ['v=spf1 -all', 'v=spf1 +all'], 'syndex._domainkey.syndex.example' => ['v=DKIM1; p=abc'], '_dmarc.syndex.example' => ['v=DMARC10']], ['fault|SPF of syndex.example  there are several', 'fault|DKIM at syndex._domainkey.syndex.example  it is another key', 'fault|DMARC of syndex.example  there is none']],
    'no key is set' => [['syndex.example' => ['v=spf1 -all'], '_dmarc.syndex.example' => ['v=DMARC1; p=none']], ['ok|SPF', 'ok|DKIM  mails are not signed', 'ok|DMARC'], false],
]);

it('says so where nobody can be asked, and asks nobody about names that are nobody’s (RFC 2606)', function (): void {
    config(['syndex.dns_table' => "$this->dir/none.json", 'syndex.dkim.key_file' => "$this->dir/key.pem"]);
    expect(implode("\n", ($this->doctor)()))->not->toContain('fault')->toContain('SPF of syndex.example  not checked')->toContain('DKIM at syndex._domainkey.syndex.example  not checked')
        ->and((new SystemDns())->texts('syndex.example'))->toBeNull();
});

it('names a key that cannot be read, and does not send unsigned', function (): void {
    config(['syndex.dkim.key_file' => "$this->dir/gone.pem"]);
    ($this->dns)([]);
    expect(implode("\n", ($this->doctor)()))->toContain('fault|DKIM  The key for signing mails is set and cannot be read.');
    sent(meeting(account(Role::Coordinator), [colleague('Inês Varela')]));
    expect(fn() => app(MakeMail::class)->of(Dispatch::query()->firstOrFail()))->toThrow(RuntimeException::class, 'cannot be read');
});

/** Checked by Debian's python3-dkim, an implementation of RFC 6376 of its own. */
it('signs mails so that a verifier believes them, and no word of them can be changed', function (): void {
    config(['syndex.dkim.key_file' => "$this->dir/key.pem"]);
    sent(meeting(account(Role::Coordinator), [colleague('Inês Varela', 'Europe/Lisbon', ['language' => 'pt'])]));
    $mail = app(MakeMail::class)->of(Dispatch::query()->firstOrFail());
    $verify = function (string $mail): string {
        $check = "import sys, dkim\nprint(dkim.verify(sys.stdin.buffer.read(), dnsfunc=lambda name, timeout=5: sys.argv[1].encode()))";

        return trim((new Process(['/usr/bin/python3', '-c', $check, $this->public], input: $mail))->mustRun()->getOutput());
    };
    expect($verify($mail))->toBe('True')->and($mail)->toContain('DKIM-Signature: ')->toContain('d=syndex.example')->toContain('s=syndex')
        ->and($verify(str_replace('Varela', 'Valera', $mail)))->toBe('False')
        ->and($verify((string) preg_replace('/^Subject: .*\r\n/m', "Subject: Another\r\n", $mail)))->toBe('False');
});
