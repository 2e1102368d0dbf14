<?php

declare(strict_types=1);

namespace Syndex\Core\ICalendar;

/** What was odd about a file while it was read, in the order in which it was noticed. */
final class Warnings
{
    /** A file of nothing but oddities must not fill the memory. */
    private const MOST = 10_000;

    /** @var list<ReadWarning> */
    private array $all = [];

    /** @param  ?int  $line physical line from 1, null where none applies */
    public function add(?int $line, string $code, string $message): void
    {
        if (count($this->all) < self::MOST) {
            $this->all[] = new ReadWarning($line, $code, $message);
        } elseif (count($this->all) === self::MOST) {
            $this->all[] = new ReadWarning(null, 'more_warnings', 'there are more warnings than are listed');
        }
    }

    /** @return list<ReadWarning> */
    public function all(): array
    {
        return $this->all;
    }
}
