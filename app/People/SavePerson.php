<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Validation\ValidationException;
use Syndex\Core\Invitations\MailAddress;

/** Writes a person down, new or changed, with the forms in which they are found, listed and compared. */
final class SavePerson
{
    /** @param array<string, mixed> $values */
    public function __invoke(Person $person, array $values): Person
    {
        $person->fill($values);
        $person->email_key = MailAddress::key($person->email);
        $taken = Person::query()->where('email_key', $person->email_key)->when($person->exists, fn($q) => $q->where('id', '!=', $person->id))->exists();
        if ($taken) {
            throw ValidationException::withMessages(['email' => __('people.address_taken')]);
        }
        $person->email_domain = substr((string) strrchr($person->email, '@'), 1);
        $person->list_key = SearchKey::listed($person->kind === PersonKind::Guest, $person->name, $person->email);
        $person->save();
        FindWords::keepPerson($person);

        return $person->refresh();
    }
}
