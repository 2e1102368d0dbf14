<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Support\Str;

/** Mails a link by which the owner of an account sets a password. The link itself is kept nowhere but in that mail. */
final readonly class IssueLink
{
    private const DAYS_TO_ACCEPT = 7;

    private const HOURS_TO_RESET = 2;

    public function __construct(private AccountMail $mail) {}

    public function invitation(Account $account): void
    {
        $this->issue($account, 'invite', self::DAYS_TO_ACCEPT * 24);
    }

    public function reset(Account $account): void
    {
        $this->issue($account, 'reset', self::HOURS_TO_RESET);
    }

    /** @param 'invite'|'reset' $why */
    private function issue(Account $account, string $why, int $hours): void
    {
        $token = Str::random(48);
        $known = new AccountToken(['token_hash' => hash('sha256', $token), 'expires_at' => now()->addHours($hours)]);
        $known->forceFill(['account_id' => $account->id])->save();
        $this->mail->link($account, $why, config('app.url') . '/password/' . $token, $hours);
    }
}
