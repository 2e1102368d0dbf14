<?php

declare(strict_types=1);

namespace App\Joining;

use App\Failure\Decide;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Syndex\Core\Joining\Passcode;
use Syndex\Core\Joining\Pin;

/** Tells the bridge what holds: after an answer that did not come, and when the rules of a room have changed. Where there is no room, it is closed. Safe to run twice. */
final class SettleRoom implements ShouldQueue
{
    use Queueable;

    public int $tries = 40;

    /** @var list<int> seconds */
    public array $backoff = [2, 5, 10, 30, 60, 300];

    public function __construct(public readonly string $roomId) {}

    public static function unsure(string $roomId): void
    {
        JoiningKit::query()->where('room_id', $roomId)->update(['unsettled_at' => now()]);
        self::dispatch($roomId)->delay(2);
    }

    public function handle(Bridge $bridge, WantedRooms $rooms): void
    {
        Decide::on(function () use ($bridge, $rooms): void {
            $wanted = $rooms->locked($this->roomId);
            $kit = JoiningKit::query()->where('room_id', $this->roomId)->lockForUpdate()->first();
            if ($wanted === null || $kit === null) {
                $bridge->close(RoomRef::of($this->roomId));
                $kit?->update(['closed_at' => now()]);
            } elseif ($kit->closed_at === null && ($kit->unsettled_at !== null || $kit->told !== $wanted->mark())) {
                [$passcode, $pin] = [Passcode::typed($kit->passcode), Pin::of($kit->pin)];
                MakeKit::settled($kit, $bridge->settle(RoomRef::of($this->roomId), $wanted, $passcode, $pin), $wanted, $passcode, $pin);
            }
        });
    }
}
