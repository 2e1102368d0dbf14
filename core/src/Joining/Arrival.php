<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

/** Somebody at the door. */
final readonly class Arrival
{
    /**
     * @param  string  $id  the person's: they may come again, and hold one place
     * @param  int  $at  a moment, in seconds since 1970
     * @param  ?string  $country  ISO 3166-1 alpha-2, of a caller the number's; null: not known
     */
    public function __construct(
        public string $id,
        public int $at,
        public ArrivesAs $who,
        public WayIn $way,
        private bool $signedIn,
        public ?string $country,
        public PasscodeGiven $passcode,
    ) {}

    /** Nobody signs in by telephone. */
    public function isSignedIn(): bool
    {
        return $this->signedIn && $this->way !== WayIn::Phone;
    }
}
