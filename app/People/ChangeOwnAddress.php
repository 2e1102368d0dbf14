<?php

declare(strict_types=1);

namespace App\People;

use App\Failure\Decide;
use App\Failure\NotNow;
use Illuminate\Contracts\Events\Dispatcher;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Syndex\Core\Invitations\MailAddress;

/** The owner of an account asks for another address: it counts once both addresses have agreed by the links mailed to them. */
final readonly class ChangeOwnAddress
{
    private const HOURS = 24;

    public function __construct(private AccountMail $mail, private MoveAccount $moveAccount, private Dispatcher $events) {}

    public function ask(Account $account, string $address): void
    {
        Decide::on(function () use ($account, $address): void {
            $account = Account::query()->with('person')->lockForUpdate()->findOrFail($account->id);
            $key = MailAddress::key($address);
            if ($key === $account->email) {
                throw ValidationException::withMessages(['email' => __('people.address_same')]);
            }
            if (Person::query()->where('email_key', $key)->where('id', '!=', $account->person_id)->exists()) {
                throw ValidationException::withMessages(['email' => __('people.address_taken')]);
            }
            AddressChange::query()->where('account_id', $account->id)->delete();
            $tokens = ['old' => Str::random(48), 'new' => Str::random(48)];
            AddressChange::query()->create([
                'account_id' => $account->id, 'email' => $address, 'expires_at' => now()->addHours(self::HOURS),
                'old_token_hash' => hash('sha256', $tokens['old']), 'new_token_hash' => hash('sha256', $tokens['new']),
            ]);
            foreach (['old' => $account->email, 'new' => $address] as $which => $to) {
                $this->mail->addressChange($account, $to, $account->email, $address, config('app.url') . '/address/' . $tokens[$which], self::HOURS);
            }
        });
    }

    /** @return array{done: bool, address: string} done: both have agreed, and the address counts */
    public function agree(#[\SensitiveParameter] string $token): array
    {
        return Decide::on(function () use ($token): array {
            $hash = hash('sha256', $token);
            $change = AddressChange::query()->with('account')->lockForUpdate()->where('old_token_hash', $hash)->orWhere('new_token_hash', $hash)->first();
            if ($change === null || $change->expires_at->isPast() || !$change->account->isActive()) {
                throw NotNow::linkSpent();
            }
            $change->update([$change->old_token_hash === $hash ? 'old_agreed_at' : 'new_agreed_at' => now()]);
            if ($change->old_agreed_at === null || $change->new_agreed_at === null) {
                return ['done' => false, 'address' => $change->email];
            }
            $account = Account::query()->with('person')->lockForUpdate()->findOrFail($change->account_id);
            $old = $account->person->email;
            ($this->moveAccount)($account, $change->email);
            $this->events->dispatch(new PersonAddressChanged($account->person_id, $old));

            return ['done' => true, 'address' => $change->email];
        });
    }
}
