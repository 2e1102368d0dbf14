<?php

declare(strict_types=1);

namespace Syndex\Core\ICalendar;

use Syndex\Core\Time\Zone;

/** The zones that a file uses, each with the stretch of time for which its VTIMEZONE must be right. */
final class ZoneSpans
{
    /** @var array<string, array{zone: Zone, from: int, to: ?int}> */
    private array $spans = [];

    /** @param ?int $to first moment that no longer matters; null: the stretch is open */
    public function add(Zone $zone, int $from, ?int $to): void
    {
        if ($zone->id === 'UTC') {
            return;
        }
        $span = $this->spans[$zone->id] ?? ['zone' => $zone, 'from' => $from, 'to' => $to];
        $this->spans[$zone->id] = [
            'zone' => $zone,
            'from' => min($span['from'], $from),
            'to' => $span['to'] === null || $to === null ? null : max($span['to'], $to),
        ];
    }

    /** VTIMEZONEs in the order in which the zones came up. */
    public function write(): string
    {
        return implode('', array_map(static fn(array $span): string => TimezoneWriter::write($span['zone'], $span['from'], $span['to']), $this->spans));
    }
}
