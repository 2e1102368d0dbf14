<?php

declare(strict_types=1);

namespace App\Invitations;

use App\People\Account;
use App\People\AccountMail;
use Symfony\Component\Mime\Address;

/** Writes the mails about an account into the outbox. */
final readonly class WriteAccountMail implements AccountMail
{
    public function __construct(private Outbox $outbox) {}

    public function link(Account $account, string $why, #[\SensitiveParameter] string $link, int $hours): void
    {
        $this->write($account, $account->email, $why, ['link' => $link, 'days' => (string) intdiv($hours, 24), 'hours' => (string) $hours]);
    }

    public function addressChange(Account $account, string $to, string $old, string $new, #[\SensitiveParameter] string $link, int $hours): void
    {
        $this->write($account, $to, 'address', ['old' => $old, 'new' => $new, 'this' => $to, 'link' => $link, 'hours' => (string) $hours]);
    }

    public function moved(Account $account, string $to, string $old, string $new): void
    {
        $this->write($account, $to, 'moved', ['old' => $old, 'new' => $new]);
    }

    /** @param array<string, string> $with */
    private function write(Account $account, string $to, string $why, #[\SensitiveParameter] array $with): void
    {
        $subject = __("mail.account_{$why}_subject");
        $text = __("mail.account_{$why}_body", ['name' => $account->person->called(), ...$with]);
        $from = new Address('accounts@' . config('syndex.mail_domain'), (string) config('syndex.mail_name'));
        $this->outbox->toAccount($account, $to, $subject, static fn(string $id): string => PackMail::plain($from, new Address($to, $account->person->name ?? ''), $subject, $text, $id));
    }
}
