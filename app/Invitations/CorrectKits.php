<?php

declare(strict_types=1);

namespace App\Invitations;

use App\Failure\Decide;
use App\Live\Live;
use App\People\Account;
use App\Planning\Meeting;

/** Tells those whose invitation carries a kit that no longer holds, of all meetings in the same room, and nobody else. */
final readonly class CorrectKits
{
    public function __construct(private FreezeMeeting $freeze, private PlanChange $plan, private Outbox $outbox, private Live $live) {}

    /** @return int how many are told */
    public function __invoke(Meeting $meeting, Account $by): int
    {
        return Decide::on(function () use ($meeting, $by): int {
            $told = 0;
            foreach (MarkStale::sharing($meeting->room_of)->whereNotNull('kit_stale_at')->lockForUpdate()->get() as $stale) {
                $told += $this->correct($stale, $by);
            }

            return $told;
        });
    }

    /**
     * The meeting as its people know it, with the kit that they hold: that of the last step of which all of them heard.
     *
     * @return string as {@see FreezeMeeting} writes it
     */
    public static function known(FreezeMeeting $freeze, Meeting $meeting): string
    {
        $now = $freeze->write($meeting);
        $step = Step::query()->where('meeting_id', $meeting->id)->whereIn('kind', [StepKind::Sent, StepKind::Changed, StepKind::Reissued])->whereNotNull('after')->whereNull('taken_back_at')->orderByDesc('id')->first();
        if ($meeting->kit_stale_at === null || $step === null) {
            return $now;
        }
        /** @var array<string, mixed> $held */
        $held = json_decode((string) $step->after, true, flags: JSON_THROW_ON_ERROR);
        /** @var array<string, mixed> $known */
        $known = json_decode($now, true, flags: JSON_THROW_ON_ERROR);

        return json_encode([...$known, 'kit' => $held['kit'] ?? null], JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE);
    }

    private function correct(Meeting $meeting, Account $by): int
    {
        $before = self::known($this->freeze, $meeting);
        $planned = $this->plan->of($meeting, $this->freeze->read($before), $this->freeze->asItStands($meeting), false);
        $meeting->update(['sequence' => $planned->sequence, 'kit_stale_at' => null, 'version' => $meeting->version + 1]);
        $after = $this->freeze->write($meeting->refresh());
        $step = Step::query()->create(['meeting_id' => $meeting->id, 'account_id' => $by->id, 'kind' => StepKind::Reissued, 'sequence' => $planned->sequence, 'before' => $before, 'after' => $after]);
        $this->outbox->tellChange($step, $meeting, $planned, $after, false, atOnce: true);
        $this->live->tell([Live::COORDINATION, ...SendMeeting::channels($meeting)], 'meeting', $meeting->id);

        return count($planned->messages());
    }
}
