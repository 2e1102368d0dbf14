<?php

declare(strict_types=1);

namespace App\Invitations;

use App\People\Account;
use Symfony\Component\Mime\Address;

/** Writes the mail that carries a link to set a password. */
final readonly class WriteAccountMail
{
    public function __construct(private Outbox $outbox) {}

    /** @param 'invite'|'reset' $why */
    public function __invoke(Account $account, string $why, #[\SensitiveParameter] string $link, int $hours): void
    {
        $subject = __("mail.account_{$why}_subject");
        $text = __("mail.account_{$why}_body", ['name' => $account->person->called(), 'link' => $link, 'days' => (string) intdiv($hours, 24), 'hours' => (string) $hours]);
        $from = new Address('accounts@' . config('syndex.mail_domain'), (string) config('syndex.mail_name'));
        $to = new Address($account->email, $account->person->name ?? '');
        $this->outbox->toAccount($account->person, $subject, static fn(string $id): string => PackMail::plain($from, $to, $subject, $text, $id));
    }
}
