<?php

declare(strict_types=1);

namespace Syndex\Core\Time;

/** The zone data that PHP was built with or reads from the system. */
final class SystemZoneData implements ZoneData
{
    /** Files of the zone folder that PHP lists, but that name no zone of their own. */
    private const NOT_ZONES = ['leapseconds', 'localtime', 'posixrules', 'tzdata.zi'];

    /** Zones whose names PHP takes for abbreviations, and the places they are linked to (IANA backward, 2024b). */
    private const ABBREVIATIONS = ['CET' => 'Europe/Brussels', 'EET' => 'Europe/Athens', 'MET' => 'Europe/Brussels', 'WET' => 'Europe/Lisbon'];

    /** @var array<string, Zone> */
    private array $zones = [];

    /** @var array<string, true>|null */
    private ?array $known = null;

    /** @param array<string, array{list<int>, list<int>, list<int>}> $tables of zones, as {@see Zone::table} gives them, of this very version */
    public function __construct(private readonly string $version, private readonly array $tables = []) {}

    public function version(): string
    {
        return $this->version;
    }

    public function zone(string $id): Zone
    {
        if (isset($this->zones[$id])) {
            return $this->zones[$id];
        }
        if (!$this->knows($id)) {
            throw UnknownZone::named($id);
        }

        return $this->zones[$id] = isset($this->tables[$id]) ? Zone::ofTable($id, self::source($id), $this->tables[$id]) : Zone::of($id, self::source($id));
    }

    public function offsetAt(string $id, int $moment): int
    {
        return isset($this->zones[$id]) ? $this->zones[$id]->offsetAt($moment) : self::source($id)->getOffset(new \DateTimeImmutable('@' . $moment));
    }

    public function letters(string $id, int $moment): string
    {
        return self::source($id)->getTransitions($moment, $moment)[0]['abbr'] ?? '';
    }

    public function knows(string $id): bool
    {
        $this->known ??= array_fill_keys(array_diff(\DateTimeZone::listIdentifiers(\DateTimeZone::ALL_WITH_BC), self::NOT_ZONES), true);

        return isset($this->known[$id]);
    }

    /**
     * PHP takes CET, EET, MET and WET for abbreviations, which have no summer time; as zones they have (IANA europe, since 2024b
     * links in backward). Under their path they are found as zones.
     */
    private static function source(string $id): \DateTimeZone
    {
        if (!isset(self::ABBREVIATIONS[$id])) {
            return new \DateTimeZone($id);
        }
        // Not there where PHP brings its own zone data.
        return @timezone_open('posix/' . $id) ?: new \DateTimeZone(self::ABBREVIATIONS[$id]);
    }

    public function currentIds(): array
    {
        return \DateTimeZone::listIdentifiers();
    }

    public function ids(): array
    {
        $this->knows('UTC');
        $ids = array_map(strval(...), array_keys($this->known ?? []));
        sort($ids, SORT_STRING);

        return $ids;
    }
}
