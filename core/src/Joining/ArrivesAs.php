<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

/** What somebody who comes is to the meeting. */
enum ArrivesAs: string
{
    case Host = 'host';
    case CoHost = 'co_host';
    case Colleague = 'colleague';
    case Guest = 'guest';
    /** Not invited: a link was handed on. */
    case Stranger = 'stranger';

    public function runsIt(): bool
    {
        return $this === self::Host || $this === self::CoHost;
    }

    public function isOutside(): bool
    {
        return $this === self::Guest || $this === self::Stranger;
    }
}
