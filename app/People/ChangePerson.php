<?php

declare(strict_types=1);

namespace App\People;

use App\Failure\Decide;
use App\Failure\NotYours;
use Illuminate\Contracts\Events\Dispatcher;
use Syndex\Core\Invitations\MailAddress;

/**
 * Changes what is written of a person.
 *
 * The address of somebody who has an account opens that account, by the mail that goes there: of those who plan only an
 * administrator changes it, and both addresses are told.
 */
final readonly class ChangePerson
{
    public function __construct(private SavePerson $save, private MoveAccount $moveAccount, private Dispatcher $events) {}

    /** @param array<string, mixed> $values */
    public function __invoke(Account $by, Person $person, array $values): Person
    {
        return Decide::on(function () use ($by, $person, $values): Person {
            $person = Person::query()->lockForUpdate()->findOrFail($person->id);
            $account = Account::query()->lockForUpdate()->where('person_id', $person->id)->first();
            $old = $person->email;
            $isMoved = isset($values['email']) && MailAddress::key((string) $values['email']) !== MailAddress::key($old);
            if ($account !== null && $isMoved) {
                if ($by->role !== Role::Administrator) {
                    throw NotYours::addressOfAccount();
                }
                $person = ($this->moveAccount)($account, (string) $values['email']);
            }
            $person = ($this->save)($person, $values);
            if ($person->email !== $old) {
                $this->events->dispatch(new PersonAddressChanged($person->id, $old));
            }

            return $person;
        });
    }
}
