<?php

declare(strict_types=1);

namespace App\Planning;

enum MeetingStatus: string
{
    /** Being written; takes nobody's time. */
    case Draft = 'draft';
    /** Planned, but nobody has been told. */
    case Kept = 'kept';
    case Sent = 'sent';
    case CalledOff = 'called_off';

    public function isEditable(): bool
    {
        return $this === self::Draft || $this === self::Kept;
    }

    public function takesTime(): bool
    {
        return $this === self::Kept || $this === self::Sent;
    }
}
