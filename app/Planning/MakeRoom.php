<?php

declare(strict_types=1);

namespace App\Planning;

use App\Failure\NotNow;
use App\Live\Live;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Gets a meeting its kit when the bridge was away as it was asked for. Safe to run twice: it is a kit that is there, or none that is wanted. */
final class MakeRoom implements ShouldQueue
{
    use Queueable;

    public int $tries = 60;

    /** @var list<int> seconds */
    public array $backoff = [5, 10, 20, 30, 60, 300];

    public function __construct(public readonly string $meetingId) {}

    public function handle(GiveKit $giveKit, Live $live): void
    {
        $meeting = Meeting::query()->find($this->meetingId);
        if ($meeting === null || !$meeting->join_mode->hasKit() || ($meeting->kit !== null && $meeting->kit->closed_at === null) || !$meeting->status->isEditable()) {
            return;
        }
        try {
            $giveKit($meeting, again: false);
        } catch (NotNow) {
            // It was sent or called off meanwhile, by another way to join.
            return;
        }
        $live->tell([Live::COORDINATION], 'meeting', $meeting->id);
    }
}
