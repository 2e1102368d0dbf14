<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

enum BusyKind: string
{
    case Busy = 'busy';
    case Tentative = 'tentative';
    case Away = 'away';
}
