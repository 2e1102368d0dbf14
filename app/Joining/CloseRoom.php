<?php

declare(strict_types=1);

namespace App\Joining;

use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Closes the room of a meeting that will not be held. Safe to run twice. */
final class CloseRoom implements ShouldQueue
{
    use Queueable;

    public int $tries = 8;

    /** @var list<int> seconds */
    public array $backoff = [5, 30, 120, 600];

    /** @param string $bridgeId the bridge's own name for the room, since the kit may be gone with a discarded draft */
    public function __construct(public readonly string $bridgeId) {}

    public function handle(Bridge $bridge): void
    {
        $bridge->close($this->bridgeId);
        JoiningKit::query()->where('bridge_id', $this->bridgeId)->whereNull('closed_at')->update(['closed_at' => now()]);
    }
}
