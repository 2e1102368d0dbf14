<?php

declare(strict_types=1);

namespace App\Failure;

final class BridgeFailed extends Refusal
{
    public static function silent(\Throwable $previous): self
    {
        return new self('bridge_silent', 503, __('failures.bridge_silent'), [], $previous);
    }

    public static function refused(int $status): self
    {
        return new self('bridge_refused', 502, __('failures.bridge_refused', ['status' => (string) $status]));
    }
}
