<?php

declare(strict_types=1);

namespace App\Joining;

/** The link, number, passcode or PIN of a room is another one. */
final readonly class KitChanged
{
    /** @param string $roomId whose room it is; others may share it */
    public function __construct(public string $roomId) {}
}
