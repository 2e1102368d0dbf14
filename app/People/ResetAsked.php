<?php

declare(strict_types=1);

namespace App\People;

use App\Failure\Decide;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/**
 * Somebody asked for a new password. Worked on after the answer, so that its time does not tell whether there is such an account.
 *
 * Whoever asks again soon has a good link already; so nobody is flooded, and nobody is kept from one by others who ask.
 */
final class ResetAsked implements ShouldQueue
{
    use Queueable;

    private const AGAIN_AFTER_MINUTES = 5;

    private const MOST_A_DAY = 8;

    /** @param string $key the address as it is compared */
    public function __construct(public readonly string $key) {}

    public function handle(IssueLink $issue): void
    {
        Decide::on(function () use ($issue): void {
            $account = Account::query()->with('person')->where('email', $this->key)->whereNull('deactivated_at')->lockForUpdate()->first();
            if ($account === null) {
                return;
            }
            $mailed = AccountToken::query()->where('account_id', $account->id)->whereNull('used_at')->where('expires_at', '>', now());
            $isFresh = (clone $mailed)->where('created_at', '>', now()->subMinutes(self::AGAIN_AFTER_MINUTES))->exists();
            if (!$isFresh && $mailed->where('created_at', '>', now()->subDay())->count() < self::MOST_A_DAY) {
                $issue->reset($account);
            }
        });
    }
}
