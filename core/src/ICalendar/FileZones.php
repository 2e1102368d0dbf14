<?php

declare(strict_types=1);

namespace Syndex\Core\ICalendar;

use Syndex\Core\Work;

/** Gathers the VTIMEZONEs of a file, each under its TZID and the VCALENDAR in which it stands. */
final class FileZones
{
    /** @var array<string, ?FileZone> */
    private array $zones = [];

    /** @var list<PropertyLine> */
    private array $lines = [];

    /** @var list<Observance> */
    private array $observances = [];

    private ?string $tzid = null;

    public function __construct(private readonly Work $work, private readonly Warnings $warnings) {}

    public function begin(): void
    {
        $this->tzid = null;
        $this->observances = $this->lines = [];
    }

    public function name(string $tzid): void
    {
        $this->tzid ??= $tzid;
    }

    public function add(PropertyLine $line): void
    {
        $this->work->hold(900 + strlen($line->value));
        $this->lines[] = $line;
    }

    public function endObservance(): void
    {
        $observance = Observance::of($this->lines, $this->warnings, $this->work);
        if ($observance !== null) {
            $this->observances[] = $observance;
        }
        $this->lines = [];
    }

    public function end(int $calendar): void
    {
        if ($this->tzid !== null) {
            $this->zones["$calendar $this->tzid"] ??= FileZone::of($this->observances, $this->work);
        }
    }

    public function find(int $calendar, string $tzid): ?FileZone
    {
        return $this->zones["$calendar $tzid"] ?? null;
    }
}
