<?php

declare(strict_types=1);

namespace App\Planning;

enum JoinMode: string
{
    case Undecided = 'undecided';
    case Online = 'online';
    case InPerson = 'in_person';
    case Both = 'both';
    /** Numbers and a PIN, no link anywhere. */
    case Phone = 'phone';

    /** Whether a joining kit is needed. */
    public function hasKit(): bool
    {
        return $this->hasLink() || $this === self::Phone;
    }

    public function hasLink(): bool
    {
        return $this === self::Online || $this === self::Both;
    }

    public function needsPlace(): bool
    {
        return $this === self::InPerson || $this === self::Both;
    }
}
