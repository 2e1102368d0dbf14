<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

/** Somebody who is expected to come, as far as it is known before. */
final readonly class Expected
{
    /** @param ?string $country ISO 3166-1 alpha-2, where they are; null: not known */
    public function __construct(public string $id, public ArrivesAs $who, public WayIn $way, public bool $signedIn, public ?string $country) {}

    /** @param int $at a moment */
    public function arrival(int $at): Arrival
    {
        return new Arrival($this->id, $at, $this->who, $this->way, $this->signedIn, $this->country, PasscodeGiven::Right);
    }
}
