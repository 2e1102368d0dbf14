<?php

declare(strict_types=1);

namespace Syndex\Core\Time;

use Syndex\Core\CoreException;

final class UnknownZone extends \DomainException implements CoreException
{
    private function __construct(string $message, public readonly string $id)
    {
        parent::__construct($message);
    }

    public static function named(string $id): self
    {
        return new self(sprintf('expected an IANA zone name as spelt in the zone data, got "%s"', mb_strimwidth($id, 0, 80, '…')), $id);
    }
}
