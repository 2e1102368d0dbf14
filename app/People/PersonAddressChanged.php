<?php

declare(strict_types=1);

namespace App\People;

/** Somebody has another address than before. Told within the transaction of the change. */
final readonly class PersonAddressChanged
{
    public function __construct(public string $personId, public string $old) {}
}
