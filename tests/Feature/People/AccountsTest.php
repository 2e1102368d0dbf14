<?php

declare(strict_types=1);

use App\Invitations\Dispatch;
use App\Invitations\DispatchKind;
use App\People\Account;
use App\People\Role;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;

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

it('mails no more links than somebody needs', function (): void {
    $account = account(Role::Colleague, colleague('Inês Varela'));
    $ask = fn(): int => $this->postJson('/api/password/forgot', ['email' => $account->email])->getStatusCode();

    expect(array_map($ask, range(1, 5)))->toBe([204, 204, 204, 204, 429]);
});

it('never shows the link in the dispatch book, not even to administrators', function (): void {
    account(Role::Colleague, colleague('Inês Varela'));
    $this->postJson('/api/password/forgot', ['email' => 'ines.varela@garden.example']);
    $dispatch = Dispatch::query()->firstOrFail();

    $this->actingAs(account(Role::Administrator))->getJson("/api/dispatches/$dispatch->id")->assertOk()->assertJson(['text' => null, 'source' => null]);
    $this->getJson("/api/dispatches/$dispatch->id/html")->assertNotFound();
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
