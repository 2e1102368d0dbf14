<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

/** Settings that do not go together, or not with those who are invited, and what would mend it. */
final readonly class RoomConflict
{
    /**
     * @param  list<string>  $people  ids of those whom it concerns
     * @param  array<string, int|string>  $facts  what its sentence needs
     * @param  list<array<string, mixed>>  $ways  settings that would mend it, each by name
     */
    public function __construct(public RoomConflictKind $kind, public array $people, public array $facts, public array $ways) {}
}
