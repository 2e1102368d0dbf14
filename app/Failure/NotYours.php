<?php

declare(strict_types=1);

namespace App\Failure;

/** Somebody else decides this. */
final class NotYours extends Refusal
{
    public static function accountMail(): self
    {
        return new self('not_allowed', 403, __('failures.account_mail'));
    }

    public static function endOfAccount(): self
    {
        return new self('end_of_account', 403, __('failures.end_of_account'));
    }

    public static function addressOfAccount(): self
    {
        return new self('address_of_account', 403, __('failures.address_of_account'));
    }
}
