<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Support\Facades\DB;
use Syndex\Core\Invitations\MailAddress;

/** Gives an account and its person another address, tells both addresses, and makes links that were mailed before worthless. Within a transaction. */
final readonly class MoveAccount
{
    public function __construct(private SavePerson $save, private AccountMail $mail) {}

    public function __invoke(Account $account, string $address): Person
    {
        $account->loadMissing('person');
        $old = $account->email;
        $person = ($this->save)($account->person, ['email' => $address]);
        $account->update(['email' => MailAddress::key($address)]);
        $account->setRelation('person', $person);
        AccountToken::query()->where('account_id', $account->id)->delete();
        DB::table('address_changes')->where('account_id', $account->id)->delete();
        foreach ([$old, $account->email] as $to) {
            $this->mail->moved($account, $to, $old, $account->email);
        }

        return $person;
    }
}
