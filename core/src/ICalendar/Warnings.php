<?php

declare(strict_types=1);

namespace Syndex\Core\ICalendar;

/** What was odd about a file while it was read, each once, in the order in which it was noticed: parts of it may be read twice. */
final class Warnings
{
    /** A file of nothing but oddities must not fill the memory. */
    private const MOST = 10_000;

    /** @var array<string, ReadWarning> by line, code and message */
    private array $all = [];

    /** @param  ?int  $line physical line from 1, null where none applies */
    public function add(?int $line, string $code, string $message, ?string $property = null): void
    {
        if (count($this->all) < self::MOST) {
            $this->all["$line $code $message"] ??= new ReadWarning($line, $code, $message, $property);
        } elseif (count($this->all) === self::MOST) {
            $this->all['more'] = new ReadWarning(null, 'more_warnings', 'there are more warnings than are listed');
        }
    }

    /** @return list<ReadWarning> */
    public function all(): array
    {
        return array_values($this->all);
    }
}
