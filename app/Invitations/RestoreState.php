<?php

declare(strict_types=1);

namespace App\Invitations;

use App\Failure\Decide;
use App\Failure\NotNow;
use App\People\Account;
use App\Planning\ChangeOf;
use App\Planning\Meeting;

/** Brings an earlier state of a meeting back: on the sheet of a change, which is read back and sent like any other. */
final readonly class RestoreState
{
    public function __construct(private FreezeMeeting $freeze, private ChangeOf $change) {}

    public function __invoke(Meeting $meeting, Step $step, Account $by): Meeting
    {
        return Decide::on(function () use ($meeting, $step, $by): Meeting {
            $meeting = Meeting::query()->lockForUpdate()->findOrFail($meeting->id);
            if (Meeting::query()->where('changes_id', $meeting->id)->exists()) {
                throw NotNow::changeWaits();
            }
            if ($step->before === null || $step->id <= Step::lastCut($meeting->id)) {
                throw NotNow::nothingBefore();
            }
            $sheet = $this->change->begin($meeting, $by);
            $this->change->write($this->freeze->read($step->before)->meeting, $sheet);

            return $sheet->refresh();
        });
    }
}
