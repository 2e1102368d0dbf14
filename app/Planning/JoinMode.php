<?php

declare(strict_types=1);

namespace App\Planning;

enum JoinMode: string
{
    case Undecided = 'undecided';
    case Online = 'online';
    case InPerson = 'in_person';
    case Both = 'both';

    public function isOnline(): bool
    {
        return $this === self::Online || $this === self::Both;
    }

    public function needsPlace(): bool
    {
        return $this === self::InPerson || $this === self::Both;
    }
}
