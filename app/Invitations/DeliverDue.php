<?php

declare(strict_types=1);

namespace App\Invitations;

use App\Failure\Decide;
use App\Live\Live;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;

/**
 * Takes due dispatches out of the outbox, makes their mails, sends them, and writes down what became of each.
 *
 * Several workers may run: a claim skips what another holds. What a dead worker had in hand is sent again under the same
 * Message-ID, by which a repeat can be told. Whatever goes wrong with one mail concerns that mail alone; a relay that is away
 * holds them all, and counts against none.
 */
final readonly class DeliverDue
{
    private const BATCH = 20;

    /** An outcome that cannot be written down, since the database is away, is tried for so long: the mail has left. */
    private const INSIST_SECONDS = 120;

    private const UNANSWERED_DAYS = 2;

    public function __construct(private PostRoom $postRoom, private MakeMail $makeMail, private OutboxHold $hold, private WatchWorkers $watch, private Live $live) {}

    /** @return int how many were dealt with; 0 if there was nothing to do, or the relay is away */
    public function __invoke(string $worker): int
    {
        $this->watch->freeAbandoned($worker);
        // Between two rounds nothing is in hand: what a database that went away left claimed is free again.
        DB::table('dispatches')->where('claimed_by', $worker)->where('state', DispatchState::Sending->value)->update(['state' => DispatchState::Waiting->value, 'claimed_by' => null]);
        $isHeld = $this->hold->present() !== null;
        if ($isHeld && !$this->hold->mayLook()) {
            return 0;
        }
        $claimed = $this->claim($worker, $isHeld ? 1 : self::BATCH);
        if ($claimed === [] && $isHeld) {
            $this->lookWithoutMail();
        }
        foreach ($claimed as $done => $id) {
            try {
                $this->deliver($worker, $id);
            } catch (RelayAway $away) {
                $this->putBack($worker, array_slice($claimed, $done));
                $this->hold->begin($away->getMessage());
                $this->live->tell([Live::COORDINATION], 'outbox', '');

                return $done;
            }
        }

        return count($claimed);
    }

    /** @return list<int> */
    public function claim(string $worker, int $most = self::BATCH): array
    {
        return Decide::on(static function () use ($worker, $most): array {
            $due = DB::table('dispatches as d')
                ->where('d.state', DispatchState::Waiting->value)
                ->where('d.next_try_at', '<=', now())
                ->where('d.hold_until', '<=', now())
                ->whereNotExists(static fn($q) => $q->selectRaw('1')->from('dispatches as e')
                    ->whereColumn('e.uid', 'd.uid')->whereColumn('e.recipient', 'd.recipient')->whereColumn('e.id', '<', 'd.id')
                    ->whereIn('e.state', [DispatchState::Waiting->value, DispatchState::Sending->value]))
                // In the order of the index: what is read is locked, and what is sorted would be read whole.
                ->orderBy('d.next_try_at')->orderBy('d.id')->limit($most)
                ->lock('for update skip locked')
                ->pluck('d.id')->all();
            $due = array_map(static fn($id): int => (int) $id, array_values($due));
            if ($due !== []) {
                DB::table('dispatches')->whereIn('id', $due)->update(['state' => DispatchState::Sending->value, 'claimed_by' => $worker, 'claimed_at' => now()]);
            }

            return $due;
        });
    }

    /** @throws RelayAway */
    private function deliver(string $worker, int $id): void
    {
        $dispatch = Dispatch::query()->find($id);
        // Somebody may have taken it back, or over, in the meantime.
        if ($dispatch === null || $dispatch->state !== DispatchState::Sending || $dispatch->claimed_by !== $worker) {
            return;
        }
        $wasAttempted = $dispatch->attempted_at !== null;
        $began = false;
        try {
            $mail = $this->makeMail->of($dispatch);
            $this->postRoom->open();
            if (!$this->write($worker, $id, ['attempted_at' => $dispatch->attempted_at ?? now()])) {
                return;
            }
            $began = true;
            $answer = $this->postRoom->deliver($mail, 'b-' . $dispatch->envelope_token . '@' . config('syndex.mail_domain'), $dispatch->recipient);
            $outcome = ['state' => DispatchState::Sent->value, 'sent_at' => now(), 'outcome' => mb_strimwidth($answer, 0, 490, '…'), 'claimed_by' => null];
            if ($this->hold->end()) {
                $this->live->tell([Live::COORDINATION], 'outbox', '');
            }
        } catch (RelayAway $away) {
            // Nothing of this mail has left.
            if ($began && !$wasAttempted) {
                $this->insist($worker, $id, ['attempted_at' => null]);
            }

            throw $away;
        } catch (DeliveryFailed $failed) {
            $outcome = $this->settled($dispatch, $failed);
        } catch (\PDOException $database) {
            // Not the mail's fault: it is found again as it is.
            throw $database;
        } catch (\Throwable $unexpected) {
            Log::error('A mail could not be made or sent.', ['dispatch' => $id, 'exception' => $unexpected::class, 'at' => basename($unexpected->getFile()) . ':' . $unexpected->getLine()]);
            $outcome = ['state' => DispatchState::Refused->value, 'outcome' => __('failures.mail_impossible', ['what' => mb_strimwidth(mb_scrub($unexpected->getMessage()), 0, 300, '…')]), 'claimed_by' => null];
        }
        $this->insist($worker, $id, $outcome);
        $this->live->tell([Live::COORDINATION], 'dispatch', (string) $id);
    }

    /** @return array<string, mixed> */
    private function settled(Dispatch $dispatch, DeliveryFailed $failed): array
    {
        if (!$failed->isAnswer) {
            return $this->unanswered($dispatch, $failed);
        }
        /** @var list<int> $pauses */
        $pauses = config('syndex.outbox.pauses_seconds');
        $tries = $dispatch->tries + 1;
        $pause = $pauses[$tries - 1] ?? null;
        if ($failed->forGood || $pause === null) {
            Log::warning('A dispatch could not be delivered.', ['dispatch' => $dispatch->id, 'tries' => $tries]);
        }

        return ['tries' => $tries, 'outcome' => $failed->getMessage(), 'claimed_by' => null] + match (true) {
            $failed->forGood => ['state' => DispatchState::Refused->value],
            $pause === null => ['state' => DispatchState::GivenUp->value],
            default => ['state' => DispatchState::Waiting->value, 'next_try_at' => now()->addSeconds($pause)],
        };
    }

    /**
     * Tries count answers, and there was none: soon again, later the longer it has been so.
     *
     * @return array<string, mixed>
     */
    private function unanswered(Dispatch $dispatch, DeliveryFailed $failed): array
    {
        $since = max(0, now()->getTimestamp() - ($dispatch->attempted_at ?? now())->getTimestamp());
        $isTooLong = $since > self::UNANSWERED_DAYS * 86400;
        if ($isTooLong) {
            Log::warning('A dispatch was given up without an answer.', ['dispatch' => $dispatch->id]);
        }

        return ['outcome' => $failed->getMessage(), 'claimed_by' => null] + ($isTooLong
            ? ['state' => DispatchState::GivenUp->value]
            : ['state' => DispatchState::Waiting->value, 'next_try_at' => now()->addSeconds(max(3, min(1800, intdiv($since, 2))))]);
    }

    /**
     * @param  array<string, mixed>  $values
     * @return bool whether it was still this worker's
     */
    private function write(string $worker, int $id, array $values): bool
    {
        // So that a value which is there already counts as written: the row is asked for, not only changed.
        DB::table('dispatches')->where('id', $id)->where('state', DispatchState::Sending->value)->where('claimed_by', $worker)->update([...$values, 'updated_at' => now()]);

        return isset($values['state']) || DB::table('dispatches')->where('id', $id)->where('state', DispatchState::Sending->value)->where('claimed_by', $worker)->exists();
    }

    /** @param array<string, mixed> $values */
    private function insist(string $worker, int $id, array $values): void
    {
        $until = hrtime(true) + self::INSIST_SECONDS * 1_000_000_000;
        while (true) {
            try {
                $this->write($worker, $id, $values);

                return;
            } catch (\PDOException $away) {
                if (hrtime(true) > $until || DB::transactionLevel() > 0) {
                    throw $away;
                }
                DB::purge();
                usleep(300_000);
            }
        }
    }

    /** @param list<int> $ids */
    private function putBack(string $worker, array $ids): void
    {
        DB::table('dispatches')->whereIn('id', $ids)->where('state', DispatchState::Sending->value)->where('claimed_by', $worker)->update(['state' => DispatchState::Waiting->value, 'claimed_by' => null]);
    }

    /** Held, and nothing due to look with: whether the relay greets us is asked by itself. */
    private function lookWithoutMail(): void
    {
        try {
            $this->postRoom->open();
            $this->hold->end();
            $this->live->tell([Live::COORDINATION], 'outbox', '');
        } catch (RelayAway $away) {
            $this->hold->begin($away->getMessage());
        }
    }
}
