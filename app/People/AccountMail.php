<?php

declare(strict_types=1);

namespace App\People;

/** The mails about an account: they go to its own address, whatever the directory says, within the transaction that causes them. */
interface AccountMail
{
    /** @param 'invite'|'reset' $why */
    public function link(Account $account, string $why, #[\SensitiveParameter] string $link, int $hours): void;

    /** To one of the two addresses that must agree. */
    public function addressChange(Account $account, string $to, string $old, string $new, #[\SensitiveParameter] string $link, int $hours): void;

    public function moved(Account $account, string $to, string $old, string $new): void;
}
