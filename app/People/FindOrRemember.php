<?php

declare(strict_types=1);

namespace App\People;

use Syndex\Core\Invitations\MailAddress;

/** The person who has an address, or an outside guest remembered now. Within a transaction. */
final readonly class FindOrRemember
{
    public function __construct(private SavePerson $save) {}

    /** @param string $address checked; $name as it stood beside it */
    public function __invoke(string $address, ?string $name): Person
    {
        $name = $name === null ? null : mb_substr(trim($name), 0, MailAddress::MOST_NAME);

        return Person::query()->where('email_key', MailAddress::key($address))->first()
            ?? ($this->save)(new Person(), ['kind' => PersonKind::Guest, 'email' => $address, 'name' => $name === '' ? null : $name]);
    }
}
