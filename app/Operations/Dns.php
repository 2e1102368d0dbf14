<?php

declare(strict_types=1);

namespace App\Operations;

/** What the DNS says of a name. */
interface Dns
{
    /** @return ?list<string> its texts (TXT), each in one piece; null if nobody could be asked */
    public function texts(string $name): ?array;
}
