<?php

declare(strict_types=1);

namespace App\Planning;

use App\Failure\Decide;
use App\Failure\NotNow;
use App\Joining\CloseRoom;
use App\Live\Live;

/** Throws away a meeting of which nobody has been told; its room on the bridge is closed. */
final readonly class DiscardDraft
{
    public function __construct(private Live $live) {}

    public function __invoke(Meeting $meeting): void
    {
        Decide::on(function () use ($meeting): void {
            $meeting = Meeting::query()->lockForUpdate()->findOrFail($meeting->id);
            if (!$meeting->status->isEditable()) {
                throw NotNow::locked($meeting->status->value);
            }
            if ($meeting->changes_id === null) {
                // Also where no kit was kept: the bridge may have opened a room without our hearing of it.
                CloseRoom::of($meeting->id);
            }
            $meeting->delete();
            $this->live->tell([Live::COORDINATION], 'meeting', $meeting->known_as);
        });
    }
}
