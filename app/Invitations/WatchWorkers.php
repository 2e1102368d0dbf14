<?php

declare(strict_types=1);

namespace App\Invitations;

use Illuminate\Support\Facades\DB;

/**
 * Watches the beats of the other workers. One whose beat stands still for long is dead, and what it had in hand is free.
 *
 * Beats are numbers, and the time in which they stand still is measured by this process's own steady clock: what the clocks of
 * the machines show, and whether they jump, does not matter.
 */
final class WatchWorkers
{
    private const DEAD_AFTER_SECONDS = 9.0;

    /** If the database could not be asked for so long, nothing is known of the time between. */
    private const BLIND_AFTER_SECONDS = 3.0;

    /** @var array<string, array{int, float}> beat and when it was first seen, by worker */
    private array $seen = [];

    private float $lookedAt = 0.0;

    /** @param \Closure(): float $steadySeconds */
    public function __construct(private readonly \Closure $steadySeconds) {}

    /** @return int how many dispatches were freed */
    public function freeAbandoned(string $self): int
    {
        $now = ($this->steadySeconds)();
        $beats = DB::table('outbox_workers')->pluck('beat', 'id')->map(static fn($beat): int => (int) $beat)->all();
        if ($now - $this->lookedAt > self::BLIND_AFTER_SECONDS) {
            $this->seen = [];
        }
        $this->lookedAt = $now;
        $this->seen = array_intersect_key($this->seen, $beats);
        $freed = 0;
        foreach ($beats as $id => $beat) {
            $id = (string) $id;
            if (!isset($this->seen[$id]) || $this->seen[$id][0] !== $beat) {
                $this->seen[$id] = [$beat, $now];
            } elseif ($id !== $self && $now - $this->seen[$id][1] >= self::DEAD_AFTER_SECONDS) {
                // Only if it has not beaten meanwhile.
                DB::table('outbox_workers')->where('id', $id)->where('beat', $beat)->delete();
            }
        }
        // Whoever is not on the list has no claim.
        $freed += DB::table('dispatches')->where('state', DispatchState::Sending->value)->where('claimed_by', '!=', $self)
            ->whereNotIn('claimed_by', DB::table('outbox_workers')->select('id'))
            ->update(['state' => DispatchState::Waiting->value, 'claimed_by' => null, 'updated_at' => now()]);

        return $freed;
    }
}
