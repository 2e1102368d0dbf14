<?php

declare(strict_types=1);

namespace Syndex\Core\Time;

/** The zone data that PHP was built with or reads from the system. */
final class SystemZoneData implements ZoneData
{
    /** Files of the zone folder that PHP lists, but that name no zone of their own. */
    private const NOT_ZONES = ['leapseconds', 'localtime', 'posixrules', 'tzdata.zi'];

    /** @var array<string, Zone> */
    private array $zones = [];

    /** @var array<string, true>|null */
    private ?array $known = null;

    public function __construct(private readonly string $version) {}

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

        return $this->zones[$id] = Zone::of($id, new \DateTimeZone($id));
    }

    public function offsetAt(string $id, int $moment): int
    {
        return isset($this->zones[$id]) ? $this->zones[$id]->offsetAt($moment) : (new \DateTimeZone($id))->getOffset(new \DateTimeImmutable('@' . $moment));
    }

    public function knows(string $id): bool
    {
        $this->known ??= array_fill_keys(array_diff(\DateTimeZone::listIdentifiers(\DateTimeZone::ALL_WITH_BC), self::NOT_ZONES), true);

        return isset($this->known[$id]);
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
