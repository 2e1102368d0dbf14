<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

enum BusyKind: string
{
    case Busy = 'busy';
    case Tentative = 'tentative';
    case Away = 'away';

    /** As it is packed with a stretch. */
    public function mark(): int
    {
        return match ($this) {
            self::Busy => 0,
            self::Tentative => 1,
            self::Away => 2,
        };
    }

    public static function marked(int $mark): self
    {
        return match ($mark) {
            1 => self::Tentative,
            2 => self::Away,
            default => self::Busy,
        };
    }
}
