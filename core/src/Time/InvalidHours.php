<?php

declare(strict_types=1);

namespace Syndex\Core\Time;

use Syndex\Core\CoreException;

final class InvalidHours extends \DomainException implements CoreException
{
    private function __construct(string $message, public readonly string $got)
    {
        parent::__construct($message);
    }

    public static function unknownDay(string $day): self
    {
        return new self(sprintf('expected a day of mon, tue, wed, thu, fri, sat, sun, got "%s"', mb_strimwidth($day, 0, 40, '…')), $day);
    }

    public static function unreadableTime(string $text): self
    {
        return new self(sprintf('expected a time of day HH:MM, got "%s"', mb_strimwidth($text, 0, 40, '…')), $text);
    }

    public static function endNotAfterStart(string $start, string $end): self
    {
        return new self(sprintf('expected a stretch that ends after it starts, got %s to %s', $start, $end), "$start-$end");
    }
}
