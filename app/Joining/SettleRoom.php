<?php

declare(strict_types=1);

namespace App\Joining;

use App\Failure\Decide;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Syndex\Core\Joining\Passcode;
use Syndex\Core\Joining\Pin;

/** Tells the bridge again what holds, after an answer that did not come: the kit's passcode, or that there is no room. Safe to run twice. */
final class SettleRoom implements ShouldQueue
{
    use Queueable;

    public int $tries = 40;

    /** @var list<int> seconds */
    public array $backoff = [2, 5, 10, 30, 60, 300];

    public function __construct(public readonly string $meetingId) {}

    public static function unsure(string $meetingId): void
    {
        JoiningKit::query()->where('meeting_id', $meetingId)->update(['unsettled_at' => now()]);
        self::dispatch($meetingId)->delay(2);
    }

    public function handle(Bridge $bridge, TitleOfRoom $titles): void
    {
        Decide::on(function () use ($bridge, $titles): void {
            $title = $titles->locked($this->meetingId);
            $kit = JoiningKit::query()->where('meeting_id', $this->meetingId)->lockForUpdate()->first();
            if ($title === null || $kit === null) {
                $bridge->close(RoomRef::of($this->meetingId));
            } elseif ($kit->closed_at === null && $kit->unsettled_at !== null) {
                $bridge->settle(RoomRef::of($this->meetingId), $title, Passcode::typed($kit->passcode), Pin::of($kit->pin));
                $kit->update(['unsettled_at' => null]);
            }
        });
    }
}
