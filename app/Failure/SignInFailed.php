<?php

declare(strict_types=1);

namespace App\Failure;

final class SignInFailed extends Refusal
{
    public static function wrong(): self
    {
        return new self('sign_in_failed', 422, __('failures.sign_in_failed'));
    }

    public static function demoElsewhere(): self
    {
        return new self('demo_on_loopback_only', 403, __('failures.demo_on_loopback_only'));
    }
}
