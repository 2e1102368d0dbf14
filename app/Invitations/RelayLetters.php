<?php

declare(strict_types=1);

namespace App\Invitations;

use Illuminate\Support\Facades\Cache;

/** Whether the mail server takes letters beyond ASCII before the @ (SMTPUTF8, RFC 6531 3.1), as it said when it last greeted a worker. */
final class RelayLetters
{
    private const KEY = 'relay-takes-letters';

    public function note(bool $taken): void
    {
        if ($taken !== $this->taken()) {
            Cache::forever(self::KEY, $taken);
        }
    }

    /** Not before it has said so. */
    public function taken(): bool
    {
        return Cache::get(self::KEY) === true;
    }
}
