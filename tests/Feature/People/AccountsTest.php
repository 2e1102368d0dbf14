<?php

declare(strict_types=1);

use App\Invitations\Dispatch;
use App\Invitations\DispatchKind;
use App\People\Account;
use App\People\Role;
use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;

use function Tests\Feature\account;

use function Tests\Feature\colleague;

use ZBateson\MailMimeParser\Message;

/** The link in the last mail about an account. */
function mailedToken(): string
{
    $mail = Dispatch::query()->where('kind', DispatchKind::AccountLink)->orderByDesc('id')->firstOrFail()->mail;
    preg_match('#/password/([A-Za-z0-9]+)#', (string) Message::from($mail, false)->getTextContent(), $m);

    return $m[1];
}

it('signs in with the right password only, and says the same for every wrong pair', function (string $email, string $password, int $status): void {
    account(Role::Coordinator, colleague('Wanjiru Achola'));
    $answer = $this->postJson('/api/session', ['email' => $email, 'password' => $password]);

    expect($answer->getStatusCode())->toBe($status);
    if ($status !== 200) {
        $answer->assertJson(['code' => 'sign_in_failed']);
    }
})->with([
    'right' => ['wanjiru.achola@garden.example', 'a long password', 200],
    'right, in capitals' => [' Wanjiru.Achola@GARDEN.example', 'a long password', 200],
    'wrong password' => ['wanjiru.achola@garden.example', 'another password', 422],
    'unknown address' => ['nobody@garden.example', 'a long password', 422],
]);

it('slows down whoever guesses', function (): void {
    $this->freezeTime();
    account(Role::Coordinator, colleague('Wanjiru Achola'));
    $try = fn(): int => $this->postJson('/api/session', ['email' => 'wanjiru.achola@garden.example', 'password' => 'guess'])->getStatusCode();

    expect(array_map($try, range(1, 6)))->toBe([422, 422, 422, 422, 422, 429]);
});

it('keeps demo accounts on the machine itself', function (): void {
    account(Role::Coordinator, colleague('Wanjiru Achola'), ['demo' => true]);
    $given = ['email' => 'wanjiru.achola@garden.example', 'password' => 'a long password'];

    $this->withServerVariables(['REMOTE_ADDR' => '203.0.113.9'])->postJson('/api/session', $given)->assertStatus(403)->assertJson(['code' => 'demo_on_loopback_only']);
    $this->withServerVariables(['REMOTE_ADDR' => '127.0.0.1'])->postJson('/api/session', $given)->assertOk();
});

it('makes the first account of an empty house, and only that', function (): void {
    $given = ['name' => 'Wanjiru Achola', 'email' => 'w@garden.example', 'password' => 'a long password', 'zone' => 'Africa/Nairobi'];
    $this->getJson('/api/session')->assertJson(['account' => null, 'empty' => true]);
    $this->postJson('/api/accounts/first', $given)->assertCreated()->assertJsonPath('account.role', 'administrator');
    Auth::logout();
    $this->postJson('/api/accounts/first', [...$given, 'email' => 'x@garden.example'])->assertStatus(409)->assertJson(['code' => 'not_empty']);
});

it('hashes passwords with argon2id', function (): void {
    expect((string) account(Role::Colleague)->getRawOriginal('password'))->toStartWith('$argon2id$');
});

it('invites by mail; the link sets a password once', function (): void {
    $person = colleague('Inês Varela', 'Europe/Lisbon');
    $this->actingAs(account(Role::Administrator))->postJson('/api/accounts', ['personId' => $person->id, 'role' => 'coordinator'])->assertCreated();
    Auth::logout();
    $token = mailedToken();

    expect(Dispatch::query()->where('recipient', $person->email)->count())->toBe(1)
        ->and(DB::table('account_tokens')->where('token_hash', $token)->exists())->toBeFalse();
    $this->postJson('/api/password', ['token' => $token, 'password' => 'short'])->assertStatus(422);
    $this->postJson('/api/password', ['token' => $token, 'password' => 'quite long enough'])->assertOk()->assertJsonPath('account.email', $person->email);
    $this->postJson('/api/password', ['token' => $token, 'password' => 'quite long enough'])->assertStatus(410)->assertJson(['code' => 'link_spent']);
    Auth::logout();
    $this->postJson('/api/session', ['email' => $person->email, 'password' => 'quite long enough'])->assertOk();
});

it('resets a password by mail, whether or not there is an account', function (): void {
    $account = account(Role::Colleague, colleague('Inês Varela'));
    $this->postJson('/api/password/forgot', ['email' => 'nobody@garden.example'])->assertNoContent();
    $this->postJson('/api/password/forgot', ['email' => $account->email])->assertNoContent();

    expect(Dispatch::query()->where('kind', DispatchKind::AccountLink)->count())->toBe(1);
    $this->travel(3)->hours();
    $this->postJson('/api/password', ['token' => mailedToken(), 'password' => 'quite long enough'])->assertStatus(410);
});

it('mails no more links than somebody needs, and keeps nobody from one', function (): void {
    $account = account(Role::Colleague, colleague('Inês Varela'));
    $ask = fn(): int => $this->postJson('/api/password/forgot', ['email' => $account->email])->getStatusCode();
    $mails = fn(): int => Dispatch::query()->where('kind', DispatchKind::AccountLink)->count();

    expect(array_unique(array_map($ask, range(1, 12))))->toBe([204])->and($mails())->toBe(1);
    $this->travel(6)->minutes();
    $ask();
    expect($mails())->toBe(2);
});

it('makes all links worthless once one was used', function (): void {
    $account = account(Role::Colleague, colleague('Inês Varela'));
    $this->postJson('/api/password/forgot', ['email' => $account->email]);
    $first = mailedToken();
    $this->travel(10)->minutes();
    $this->postJson('/api/password/forgot', ['email' => $account->email]);
    $this->postJson('/api/password', ['token' => mailedToken(), 'password' => 'quite long enough'])->assertOk();
    $this->postJson('/api/password', ['token' => $first, 'password' => 'somebody elses wish'])->assertStatus(410);
});

it('refuses passwords that are tried first', function (string $password, bool $good): void {
    account(Role::Colleague, colleague('Inês Varela'));
    $this->postJson('/api/password/forgot', ['email' => 'ines.varela@garden.example']);
    $answer = $this->postJson('/api/password', ['token' => mailedToken(), 'password' => $password]);

    $good ? $answer->assertOk() : $answer->assertStatus(422)->assertJsonStructure(['errors' => ['password']]);
})->with([
    'on the list' => ['qwertyuiop', false], 'in capitals' => ['QWERTYUIOP', false], 'with a year hung on' => ['Password2026!', false], 'one letter' => [str_repeat('a', 40), false],
    'two by turns' => ['ababababababab', false], 'a sentence' => ['nine ferns by the north wall', true],
]);

describe('a try to sign in', function (): void {
    it('takes the same hash whether there is such an account, one without a password, or none', function (?string $email): void {
        account(Role::Coordinator, colleague('Wanjiru Achola'));
        account(Role::Coordinator, colleague('No Password'), ['password' => null]);
        $hashes = [];
        Hash::partialMock()->shouldReceive('check')->andReturnUsing(function (string $given, string $hash) use (&$hashes): bool {
            $hashes[] = password_get_info($hash);

            return false;
        });
        $this->postJson('/api/session', ['email' => $email, 'password' => 'guess'])->assertStatus(422);

        expect($hashes)->toHaveCount(1)->and($hashes[0]['algoName'])->toBe('argon2id')
            ->and($hashes[0]['options'])->toBe(['memory_cost' => config('hashing.argon.memory'), 'time_cost' => config('hashing.argon.time'), 'threads' => 1]);
    })->with(['wanjiru.achola@garden.example', 'no.password@garden.example', 'nobody@garden.example']);

    it('is not let through by an accent, another network in the header, or another letter case', function (): void {
        // The first pause is a second, which a busy machine may take for a try.
        $this->freezeTime();
        account(Role::Coordinator, colleague('Wanjiru Achola'));
        $variants = ['wanjiru.achola@garden.example', 'WANJIRU.achola@garden.example', 'Wanjiru.Achola@Garden.example', 'wanjiru.achola@garden.example', 'wanjiru.ACHOLA@garden.example', 'wanjiru.achola@garden.example'];
        $answers = [];
        foreach ($variants as $at => $email) {
            $answers[] = $this->withHeaders(['X-Forwarded-For' => "198.51.100.$at"])->postJson('/api/session', ['email' => $email, 'password' => 'guess'])->getStatusCode();
        }
        expect($answers)->toBe([422, 422, 422, 422, 422, 429]);
        $this->postJson('/api/session', ['email' => 'wanjirú.achola@garden.example', 'password' => 'a long password'])->assertStatus(422);
    });

    it('slows down and never shuts out: the pause grows, ends by itself, and an owner\'s browser or another network is free of it', function (): void {
        $this->freezeSecond();
        account(Role::Coordinator, colleague('Wanjiru Achola'));
        account(Role::Coordinator, colleague('Inês Varela'));
        $try = fn(string $password, string $from = '203.0.113.9', string $who = 'wanjiru.achola') => $this->withServerVariables(['REMOTE_ADDR' => $from])->postJson('/api/session', ['email' => "$who@garden.example", 'password' => $password]);
        $browser = $try('a long password')->assertOk()->getCookie('syndex_browser');
        Auth::logout();
        $pauses = [];
        for ($i = 0; $i < 11; $i++) {
            while (($answer = $try('guess'))->getStatusCode() === 429) {
                $pauses[] = (int) $answer->headers->get('Retry-After');
                $this->travel((int) $answer->headers->get('Retry-After'))->seconds();
            }
        }
        expect($pauses)->toBe([1, 2, 4, 8, 16, 32]);
        $try('a long password')->assertStatus(429);
        $try('a long password', '198.51.100.7')->assertOk();
        $try('a long password', who: 'ines.varela')->assertOk();
        $this->withCredentials()->withCookie('syndex_browser', (string) $browser?->getValue());
        $try('a long password')->assertOk();
    });
});

it('believes a proxy only if it is named', function (): void {
    account(Role::Coordinator, colleague('Wanjiru Achola'), ['demo' => true]);
    $given = ['email' => 'wanjiru.achola@garden.example', 'password' => 'a long password'];
    $ask = fn() => $this->withServerVariables(['REMOTE_ADDR' => '127.0.0.1'])->withHeaders(['X-Forwarded-For' => '203.0.113.9'])->postJson('/api/session', $given);
    $ask()->assertStatus(403)->assertJson(['code' => 'demo_on_loopback_only']);
    TrustProxies::at(['127.0.0.1']);
    $ask()->assertStatus(403);
    $this->withServerVariables(['REMOTE_ADDR' => '127.0.0.1'])->withHeaders(['X-Forwarded-For' => '127.0.0.1'])->postJson('/api/session', $given)->assertOk();
    TrustProxies::at([]);
});

it('answers no other origin', function (string $method, string $path): void {
    $answer = $this->json($method, $path, [], ['Origin' => 'https://elsewhere.example', 'Access-Control-Request-Method' => 'POST']);

    expect(array_filter(array_keys($answer->headers->all()), static fn(string $name): bool => str_starts_with($name, 'access-control')))->toBe([]);
})->with([['GET', '/api/session'], ['POST', '/api/session'], ['OPTIONS', '/api/session'], ['OPTIONS', '/api/meetings']]);

describe('the address of an account', function (): void {
    it('is not changed by who plans, whatever chain of calls is tried', function (): void {
        $administrator = account(Role::Administrator, colleague('Lena Strand'));
        $invited = colleague('Inês Varela');
        $coordinator = account(Role::Coordinator, colleague('Wanjiru Achola'));
        $this->actingAs($administrator)->postJson('/api/accounts', ['personId' => $invited->id, 'role' => 'administrator'])->assertCreated();
        $this->actingAs($coordinator);
        $before = DB::table('accounts')->orderBy('id')->get(['id', 'email', 'role'])->all();
        foreach ([$administrator->person_id, $invited->id] as $person) {
            $this->patchJson("/api/people/$person", ['email' => 'mine@elsewhere.example'])->assertStatus(403)->assertJson(['code' => 'address_of_account']);
            $this->patchJson("/api/people/$person", ['email' => 'mine@elsewhere.example', 'kind' => 'guest', 'name' => 'Changed'])->assertStatus(403);
        }
        // Somebody else who is given the address, by each way that there is.
        foreach (['lena.strand@garden.example', 'LENA.Strand@garden.example'] as $taken) {
            $this->postJson('/api/people', ['kind' => 'colleague', 'name' => 'Me too', 'email' => $taken])->assertStatus(422);
            expect($this->postJson('/api/guests', ['addresses' => [$taken]])->json('0.id'))->toBe($administrator->person_id);
        }
        $this->patchJson("/api/people/$coordinator->person_id", ['email' => 'lena.strand@garden.example'])->assertStatus(403);
        $this->postJson('/api/accounts', ['personId' => colleague('A Friend')->id, 'role' => 'administrator'])->assertStatus(403);
        $this->patchJson("/api/accounts/$coordinator->id", ['role' => 'administrator'])->assertStatus(403);
        // The mail goes where the account is, and its link is not to be seen in the book or by sending it again.
        Dispatch::query()->delete();
        $this->postJson('/api/password/forgot', ['email' => 'lena.strand@garden.example'])->assertNoContent();
        $mail = Dispatch::query()->firstOrFail();
        expect($mail->recipient)->toBe('lena.strand@garden.example')->and(json_encode($this->getJson("/api/dispatches/$mail->id")->json()))->not->toContain('/password/');
        $mail->update(['state' => 'refused']);
        $this->postJson("/api/dispatches/$mail->id/again")->assertStatus(403);
        expect(DB::table('accounts')->orderBy('id')->get(['id', 'email', 'role'])->all())->toEqual($before);
    });

    it('is where its mail goes, even if the directory has another', function (): void {
        $account = account(Role::Administrator, colleague('Lena Strand'));
        DB::table('people')->where('id', $account->person_id)->update(['email' => 'mine@elsewhere.example', 'email_key' => 'mine@elsewhere.example']);
        $this->postJson('/api/password/forgot', ['email' => 'lena.strand@garden.example']);

        expect(Dispatch::query()->pluck('recipient')->all())->toBe(['lena.strand@garden.example']);
    });

    it('is changed by an administrator, who tells both addresses and makes links that were mailed worthless', function (): void {
        $account = account(Role::Coordinator, colleague('Inês Varela'));
        $this->postJson('/api/password/forgot', ['email' => $account->email]);
        $token = mailedToken();
        $this->actingAs(account(Role::Administrator))->patchJson("/api/people/$account->person_id", ['email' => 'ines@new.example'])->assertOk()->assertJson(['email' => 'ines@new.example']);

        expect($account->refresh()->email)->toBe('ines@new.example')->and(Dispatch::query()->orderByDesc('id')->limit(2)->pluck('recipient')->sort()->values()->all())->toBe(['ines.varela@garden.example', 'ines@new.example']);
        Auth::logout();
        $this->postJson('/api/password', ['token' => $token, 'password' => 'quite long enough'])->assertStatus(410);
    });

    it('is changed by its owner once both addresses have agreed', function (bool $oldFirst): void {
        $account = account(Role::Colleague, colleague('Inês Varela'));
        $this->actingAs($account)->postJson('/api/session/address', ['email' => 'ines@new.example', 'password' => 'not mine'])->assertStatus(422)->assertJsonStructure(['errors' => ['password']]);
        $this->postJson('/api/session/address', ['email' => 'ines@new.example', 'password' => 'a long password'])->assertNoContent();
        $links = Dispatch::query()->orderBy('id')->get()->mapWithKeys(function (Dispatch $d): array {
            preg_match('#/address/([A-Za-z0-9]+)#', (string) Message::from((string) $d->mail, false)->getTextContent(), $m);

            return [$d->recipient => $m[1]];
        });
        expect($links->keys()->all())->toBe(['ines.varela@garden.example', 'ines@new.example']);
        $order = $oldFirst ? $links->values() : $links->values()->reverse()->values();
        $this->postJson('/api/address', ['token' => $order[0]])->assertOk()->assertJson(['done' => false]);
        $this->postJson('/api/address', ['token' => $order[0]])->assertOk()->assertJson(['done' => false]);
        expect($account->refresh()->email)->toBe('ines.varela@garden.example');
        $this->postJson('/api/address', ['token' => $order[1]])->assertOk()->assertJson(['done' => true]);
        expect($account->refresh()->email)->toBe('ines@new.example')->and($account->person->refresh()->email)->toBe('ines@new.example');
        $this->postJson('/api/address', ['token' => $order[1]])->assertStatus(410);
    })->with([true, false]);
});

it('never shows the link in the dispatch book, not even to administrators', function (): void {
    account(Role::Colleague, colleague('Inês Varela'));
    $this->postJson('/api/password/forgot', ['email' => 'ines.varela@garden.example']);
    $dispatch = Dispatch::query()->firstOrFail();

    $this->actingAs(account(Role::Administrator))->getJson("/api/dispatches/$dispatch->id")->assertOk()->assertJson(['text' => null, 'source' => null]);
    $this->getJson("/api/dispatches/$dispatch->id/html")->assertNotFound();
});

it('tells nobody anew of a session they came with, so that no late answer puts an old one back', function (): void {
    $name = (string) config('session.cookie');
    $old = (string) $this->get('/api/session')->assertCookie($name)->getCookie($name)?->getValue();
    $this->withCookie($name, $old)->get('/api/session')->assertOk()->assertJsonPath('account', null)->assertCookieMissing($name)->assertCookie('XSRF-TOKEN', null);
    $this->withCookie($name, 'ended-or-never-begun')->get('/api/session')->assertCookie($name);
});

it('deactivates, signs out, and lets in again', function (): void {
    $account = account(Role::Colleague);
    DB::table('sessions')->insert(['id' => 's1', 'user_id' => $account->id, 'payload' => '', 'last_activity' => time()]);
    $this->actingAs(account(Role::Administrator))->patchJson("/api/accounts/$account->id", ['active' => false])->assertJson(['active' => false]);

    expect(DB::table('sessions')->where('user_id', $account->id)->exists())->toBeFalse();
    $this->patchJson("/api/accounts/$account->id", ['active' => true])->assertJson(['active' => true]);
});

it('always keeps one administrator', function (array $change): void {
    $only = account(Role::Administrator);
    $this->actingAs($only)->patchJson("/api/accounts/$only->id", $change)->assertStatus(409)->assertJson(['code' => 'last_administrator']);

    expect(Account::query()->findOrFail($only->id)->role)->toBe(Role::Administrator);
})->with([[['active' => false]], [['role' => 'colleague']]]);
