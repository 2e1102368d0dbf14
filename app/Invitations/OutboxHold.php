<?php

declare(strict_types=1);

namespace App\Invitations;

use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** Whether the outbox is held since the relay is away, since when and why. While it is, one worker looks now and then. */
final class OutboxHold
{
    /** @return ?array{since: CarbonImmutable, why: string} */
    public function present(): ?array
    {
        $row = DB::table('outbox_holds')->where('id', 1)->first();

        return $row === null ? null : ['since' => CarbonImmutable::parse($row->held_since, 'UTC'), 'why' => (string) $row->why];
    }

    /** Whether this worker may look now whether the relay is back; of several only one may. */
    public function mayLook(): bool
    {
        $pauses = self::pauses();
        $longest = $pauses[count($pauses) - 1];
        $row = DB::table('outbox_holds')->where('id', 1)->first();
        // A look that lies further ahead than any pause was set by a clock that has been put back since.
        if ($row === null || (CarbonImmutable::parse($row->next_look_at, 'UTC')->isFuture() && CarbonImmutable::parse($row->next_look_at, 'UTC')->lessThan(now()->addSeconds($longest + 1)))) {
            return false;
        }
        $pause = $pauses[min((int) $row->looks, count($pauses) - 1)];

        return DB::table('outbox_holds')->where('id', 1)->where('looks', $row->looks)->where('next_look_at', $row->next_look_at)
            ->update(['looks' => min(1000, (int) $row->looks + 1), 'next_look_at' => now()->addSeconds($pause)]) === 1;
    }

    public function begin(string $why): void
    {
        $isNew = DB::table('outbox_holds')->insertOrIgnore(['id' => 1, 'held_since' => now(), 'why' => $why, 'looks' => 1, 'next_look_at' => now()->addSeconds(self::pauses()[0])]);
        if ($isNew === 0) {
            DB::table('outbox_holds')->where('id', 1)->update(['why' => $why]);
        }
    }

    /** @return bool whether there was one */
    public function end(): bool
    {
        return DB::table('outbox_holds')->where('id', 1)->delete() > 0;
    }

    /** @return non-empty-list<int> */
    private static function pauses(): array
    {
        /** @var non-empty-list<int> $pauses */
        $pauses = config('syndex.outbox.look_seconds');

        return $pauses;
    }
}
