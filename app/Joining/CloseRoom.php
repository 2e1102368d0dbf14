<?php

declare(strict_types=1);

namespace App\Joining;

use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Closes the room of a meeting that will not be held. Safe to run twice. */
final class CloseRoom implements ShouldQueue
{
    use Queueable;

    public int $tries = 12;

    /** @var list<int> seconds */
    public array $backoff = [5, 30, 120, 600];

    /** @param string $ref our own name for the room, since the kit may be gone with a discarded draft, or never have been kept */
    public function __construct(public readonly string $ref) {}

    public static function of(string $roomId): void
    {
        self::dispatch(RoomRef::of($roomId));
    }

    public function handle(Bridge $bridge): void
    {
        $bridge->close($this->ref);
        JoiningKit::query()->where('room_id', RoomRef::roomOf($this->ref))->whereNull('closed_at')->update(['closed_at' => now()]);
    }
}
