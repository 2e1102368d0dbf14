<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Validation\ValidationException;
use Syndex\Core\Invitations\MailAddress;

/** An address as it was typed into a field, taken or refused in words. */
final class Address
{
    /** @throws ValidationException */
    public static function of(string $typed, string $field): string
    {
        $check = MailAddress::check($typed);

        return $check->address ?? throw ValidationException::withMessages([$field => __('people.address_' . $check->problem)]);
    }
}
