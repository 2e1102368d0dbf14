<?php

declare(strict_types=1);

namespace App\People;

enum PersonKind: string
{
    case Colleague = 'colleague';
    case Guest = 'guest';
}
