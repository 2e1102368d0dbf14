<?php

declare(strict_types=1);

namespace Syndex\Core\Answers;

/** RFC 3464 2.3.3. */
enum DeliveryAction: string
{
    case Failed = 'failed';
    case Delayed = 'delayed';
    case Delivered = 'delivered';
    case Relayed = 'relayed';
    case Expanded = 'expanded';
}
