<?php

declare(strict_types=1);

namespace Syndex\Core\Invitations;

/** Who is told what of one step, and who is not. */
final readonly class Told
{
    /**
     * @param  list<Message>  $messages  by recipient, the whole set first, then by date
     * @param  list<string>  $untouched  addresses, sorted
     */
    public function __construct(public int $sequence, public array $messages, public array $untouched) {}
}
