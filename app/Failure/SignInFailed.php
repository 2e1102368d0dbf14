<?php

declare(strict_types=1);

namespace App\Failure;

final class SignInFailed extends Refusal
{
    public static function wrong(): self
    {
        return new self('sign_in_failed', 422, __('failures.sign_in_failed'));
    }

    /** @param int $seconds until the next try is looked at */
    public static function tooFast(int $seconds): self
    {
        return new self('too_many_tries', 429, __('failures.too_many_tries', ['seconds' => (string) $seconds]), ['seconds' => $seconds]);
    }

    public static function demoElsewhere(): self
    {
        return new self('demo_on_loopback_only', 403, __('failures.demo_on_loopback_only'));
    }
}
