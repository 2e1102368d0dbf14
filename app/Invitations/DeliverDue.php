<?php

declare(strict_types=1);

namespace App\Invitations;

use App\Live\Live;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;

/**
 * Takes due dispatches out of the outbox, sends them, and writes down what became of each.
 *
 * Several workers may run: a claim skips what another holds. A worker that dies leaves a claim behind that expires;
 * the dispatch is then sent again under the same Message-ID, by which a repeat can be told.
 */
final readonly class DeliverDue
{
    private const BATCH = 20;

    public function __construct(private PostRoom $postRoom, private Live $live) {}

    /** @return int how many were taken */
    public function __invoke(string $worker): int
    {
        $this->releaseAbandoned();
        $claimed = $this->claim($worker);
        foreach ($claimed as $id) {
            $dispatch = Dispatch::query()->find($id);
            // Somebody may have taken it over in the meantime, if this worker was away for long.
            if ($dispatch !== null && $dispatch->state === DispatchState::Sending && $dispatch->claimed_by === $worker) {
                $this->deliver($dispatch);
            }
        }

        return count($claimed);
    }

    /** @return list<int> */
    private function claim(string $worker): array
    {
        return DB::transaction(static function () use ($worker): array {
            $due = DB::table('dispatches as d')
                ->where('d.state', DispatchState::Waiting->value)
                ->where('d.next_try_at', '<=', now())
                ->where('d.hold_until', '<=', now())
                ->whereNotExists(static fn($q) => $q->selectRaw('1')->from('dispatches as e')
                    ->whereColumn('e.uid', 'd.uid')->whereColumn('e.recipient', 'd.recipient')->whereColumn('e.id', '<', 'd.id')
                    ->whereIn('e.state', [DispatchState::Waiting->value, DispatchState::Sending->value]))
                // In the order of the index: what is read is locked, and what is sorted would be read whole.
                ->orderBy('d.next_try_at')->orderBy('d.id')->limit(self::BATCH)
                ->lock('for update skip locked')
                ->pluck('d.id')->all();
            $due = array_map(static fn($id): int => (int) $id, array_values($due));
            if ($due !== []) {
                DB::table('dispatches')->whereIn('id', $due)->update(['state' => DispatchState::Sending->value, 'claimed_by' => $worker, 'claimed_at' => now(), 'tries' => DB::raw('tries + 1')]);
            }

            return $due;
        });
    }

    private function deliver(Dispatch $dispatch): void
    {
        try {
            $answer = $this->postRoom->deliver($dispatch->mail, 'b-' . $dispatch->envelope_token . '@' . config('syndex.mail_domain'), $dispatch->recipient);
            $dispatch->update(['state' => DispatchState::Sent, 'sent_at' => now(), 'outcome' => mb_strimwidth($answer, 0, 490, '…'), 'claimed_by' => null]);
        } catch (DeliveryFailed $failed) {
            $this->settle($dispatch, $failed);
        }
        $this->live->tell([Live::COORDINATION], 'dispatch', (string) $dispatch->id);
    }

    private function settle(Dispatch $dispatch, DeliveryFailed $failed): void
    {
        /** @var list<int> $pauses */
        $pauses = config('syndex.outbox.pauses_seconds');
        $pause = $pauses[$dispatch->tries - 1] ?? null;
        $dispatch->update(match (true) {
            $failed->forGood => ['state' => DispatchState::Refused, 'outcome' => $failed->getMessage(), 'claimed_by' => null],
            $pause === null => ['state' => DispatchState::GivenUp, 'outcome' => $failed->getMessage(), 'claimed_by' => null],
            default => ['state' => DispatchState::Waiting, 'next_try_at' => now()->addSeconds($pause), 'outcome' => $failed->getMessage(), 'claimed_by' => null],
        });
        if ($failed->forGood || $pause === null) {
            Log::warning('A dispatch could not be delivered.', ['dispatch' => $dispatch->id, 'tries' => $dispatch->tries]);
        }
    }

    private function releaseAbandoned(): void
    {
        DB::table('dispatches')
            ->where('state', DispatchState::Sending->value)
            ->where('claimed_at', '<', now()->subSeconds((int) config('syndex.outbox.claim_seconds')))
            ->update(['state' => DispatchState::Waiting->value, 'claimed_by' => null]);
    }
}
