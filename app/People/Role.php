<?php

declare(strict_types=1);

namespace App\People;

/** What an account may do. */
enum Role: string
{
    /** Runs the house: accounts and house rules, and all that a coordinator does. */
    case Administrator = 'administrator';
    /** Plans for any host. */
    case Coordinator = 'coordinator';
    /** Sees what concerns them. */
    case Colleague = 'colleague';

    public function plans(): bool
    {
        return $this !== self::Colleague;
    }
}
