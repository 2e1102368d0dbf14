<?php

declare(strict_types=1);

namespace App\Failure;

final class BridgeFailed extends Refusal
{
    /** Whether it is sure that the bridge did nothing. */
    public function didNothing(): bool
    {
        return ($this->details['settled'] ?? false) === true;
    }

    /** The same after something was done already. */
    public function halfway(): self
    {
        return new self($this->errorCode, $this->status, $this->getMessage(), [...$this->details, 'settled' => false], $this);
    }

    public static function silent(\Throwable $previous): self
    {
        return new self('bridge_silent', 503, __('failures.bridge_silent'), ['settled' => false], $previous);
    }

    /** It has not answered for a while, and was not asked now. */
    public static function resting(): self
    {
        return new self('bridge_silent', 503, __('failures.bridge_silent'), ['settled' => true]);
    }

    /** It answered, but with what no room can be made of. */
    public static function nonsense(): self
    {
        return new self('bridge_nonsense', 502, __('failures.bridge_nonsense'), ['settled' => false]);
    }

    /** Whether what it was asked to give is somebody else's. */
    public function isTaken(): bool
    {
        return ($this->details['answer'] ?? null) === 409;
    }

    public static function refused(int $status): self
    {
        return new self('bridge_refused', 502, __('failures.bridge_refused', ['status' => (string) $status]), ['settled' => $status < 500, 'answer' => $status]);
    }
}
