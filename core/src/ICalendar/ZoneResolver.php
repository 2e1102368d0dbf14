<?php

declare(strict_types=1);

namespace Syndex\Core\ICalendar;

use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\Zone;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\Work;

/** Finds the IANA zone that a TZID means: by name, by the table of Windows names, by the end of a path, by its clock. */
final class ZoneResolver
{
    /** @var array<string, string> names of the zone data by their lower-case form */
    private array $byLowerCase = [];

    /** @var array<string, string> */
    private array $windows = [];

    /** @var array<string, ?Zone> */
    private array $named = [];

    /** @var array<string, ?Zone> */
    private array $matched = [];

    public function __construct(private readonly ZoneData $zones, private readonly Work $work) {}

    /** The zone that a name names, letter case mended, whatever a VTIMEZONE says. */
    public function byName(string $tzid): ?Zone
    {
        if (!array_key_exists($tzid, $this->named)) {
            $id = $this->idOf($tzid);
            $this->named[$tzid] = $id === null ? null : $this->zones->zone($id);
        }

        return $this->named[$tzid];
    }

    /** The zone whose clock moves as a file's own zone does in the year of a start and in the next. */
    public function byClock(string $tzid, FileZone $zone, int $start): ?Zone
    {
        $year = min(9988, Gregorian::yearOf(Gregorian::floorDiv($start, 86400)));
        $from = Gregorian::yearStart($year) * 86400;
        $to = Gregorian::yearStart($year + 2) * 86400;
        $moves = $zone->moves($from, $to);
        $offset = $zone->offsetAt($from);
        $key = $tzid . ' ' . $year . ' ' . $offset . ' ' . json_encode($moves);
        if (!array_key_exists($key, $this->matched)) {
            $this->matched[$key] = $this->match($tzid, $offset, $moves, $from, $to);
        }

        return $this->matched[$key];
    }

    private function idOf(string $tzid): ?string
    {
        $name = trim($tzid, " \t\"");
        if ($this->byLowerCase === []) {
            foreach ($this->zones->ids() as $id) {
                $this->byLowerCase[strtolower($id)] = $id;
            }
            foreach (WindowsZones::IANA as $windows => $id) {
                $this->windows[strtolower($windows)] = $id;
            }
        }
        if ($this->zones->knows($name)) {
            return $name;
        }
        $lower = strtolower($name);
        $id = $this->byLowerCase[$lower] ?? $this->windows[$lower] ?? null;
        for ($rest = $lower; $id === null && ($slash = strpos($rest, '/')) !== false;) {
            $rest = substr($rest, $slash + 1);
            $id = $this->byLowerCase[$rest] ?? null;
        }

        return $id !== null && $this->zones->knows($id) ? $id : null;
    }

    /** @param array<int, int> $moves */
    private function match(string $tzid, int $offset, array $moves, int $from, int $to): ?Zone
    {
        // Cheap questions first: whoever differs in the middle of a season is out.
        $probes = [$from => $offset];
        foreach ($moves as $at => $after) {
            $probes[$at + 40 * 86400] = $after;
        }
        $probes = array_filter($probes, static fn(int $at): bool => $at < $to, ARRAY_FILTER_USE_KEY);
        foreach ($this->inOrder($tzid) as $id) {
            $this->work->spend(20);
            foreach ($probes as $at => $expected) {
                if ($this->zones->offsetAt($id, $at) !== $expected && $this->settled($moves, $at)) {
                    continue 2;
                }
            }
            $zone = $this->zones->zone($id);
            $this->work->spend(200);
            if ($zone->offsetAt($from) === $offset && self::movesOf($zone, $from, $to) === $moves) {
                return $zone;
            }
        }

        return null;
    }

    /**
     * Zones whose city the name holds, then the zones of the Windows table, then all.
     *
     * @return list<string>
     */
    private function inOrder(string $tzid): array
    {
        $all = $this->zones->ids();
        $named = [];
        foreach ($all as $id) {
            $city = str_replace('_', ' ', substr($id, (int) strrpos("/$id", '/')));
            if (strlen($city) > 3 && stripos(str_replace('_', ' ', $tzid), $city) !== false) {
                $named[] = $id;
            }
        }
        $common = array_filter(array_values(WindowsZones::IANA), $this->zones->knows(...));

        return array_values(array_unique([...$named, ...$common, ...$all]));
    }

    /** @param array<int, int> $moves whether no move lies near, so that one question suffices */
    private function settled(array $moves, int $at): bool
    {
        foreach (array_keys($moves) as $move) {
            if (abs($move - $at) < 86400) {
                return false;
            }
        }

        return true;
    }

    /** @return array<int, int> */
    private static function movesOf(Zone $zone, int $from, int $to): array
    {
        $moves = [];
        foreach ($zone->changesBetween($from, $to) as $change) {
            if ($change['before'] !== $change['after']) {
                $moves[$change['at']] = $change['after'];
            }
        }

        return $moves;
    }
}
