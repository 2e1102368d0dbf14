<?php

declare(strict_types=1);

namespace App\Invitations;

use App\HouseRules\HouseRules;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Database\Query\Builder;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\DB;

/** Once a night: messages leave the book of what was sent, so long after their meeting as the house says. What waits is never touched. */
final class ForgetMessages implements ShouldQueue
{
    use Queueable;

    /** Rows that are locked at once. */
    private const AT_ONCE = 1000;

    public int $timeout = 600;

    public function handle(HouseRules $rules): void
    {
        $months = $rules->keepMessagesMonths();
        if ($months === null) {
            return;
        }
        $before = now()->subMonths($months);
        $isOver = static fn(Builder $q) => $q->select('id')->from('meetings')->where('status', 'called_off')->where('called_off_at', '<', $before)->orWhere('last_ends_at', '<', $before);
        do {
            $gone = DB::table('dispatches')->whereNotIn('state', [DispatchState::Waiting->value, DispatchState::Sending->value])->where('created_at', '<', $before)
                ->where(static fn(Builder $q) => $q->whereNull('meeting_id')->orWhereIn('meeting_id', $isOver))->orderBy('id')->limit(self::AT_ONCE)->delete();
        } while ($gone === self::AT_ONCE);
        do {
            $gone = DB::table('replies')->where('created_at', '<', $before)->where(static fn(Builder $q) => $q->whereNull('meeting_id')->orWhereIn('meeting_id', $isOver))->orderBy('id')->limit(self::AT_ONCE)->delete();
        } while ($gone === self::AT_ONCE);
        do {
            $gone = DB::table('meeting_snapshots')->where('stamped_at', '<', $before)->whereNotExists(static fn(Builder $q) => $q->selectRaw('1')->from('dispatches')->whereColumn('dispatches.snapshot_id', 'meeting_snapshots.id'))
                ->where(static fn(Builder $q) => $q->whereNull('meeting_id')->orWhereIn('meeting_id', $isOver))->orderBy('id')->limit(self::AT_ONCE)->delete();
        } while ($gone === self::AT_ONCE);
    }
}
