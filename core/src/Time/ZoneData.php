<?php

declare(strict_types=1);

namespace Syndex\Core\Time;

/** The rules of the world's clocks, handed to the core from outside. */
interface ZoneData
{
    /** The IANA version, as "2025b". */
    public function version(): string;

    /** @throws UnknownZone if the name is not spelt so in the zone data */
    public function zone(string $id): Zone;

    /** Seconds east of UTC that a known zone has at a moment; a question that does not load the whole zone. */
    public function offsetAt(string $id, int $moment): int;

    /** The letters that a known zone's clock goes by at a moment, like "CET"; "+03" where it has none. */
    public function letters(string $id, int $moment): string;

    public function knows(string $id): bool;

    /** @return list<string> the names that the zone data keep as their own, without links to others, in byte order */
    public function currentIds(): array;

    /** @return list<string> every name, in byte order */
    public function ids(): array;
}
