<?php

declare(strict_types=1);

namespace App\Import;

/** What a row of a file would do, or did. */
enum RowState: string
{
    case New = 'new';
    case Changed = 'changed';
    case Same = 'same';
    case Refused = 'refused';
}
