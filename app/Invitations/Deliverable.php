<?php

declare(strict_types=1);

namespace App\Invitations;

use Egulias\EmailValidator\EmailValidator;
use Egulias\EmailValidator\Validation\NoRFCWarningsValidation;
use Syndex\Core\Invitations\MailAddress;

/** Whether mail can be sent to an address at all, asked before it is sent. */
final readonly class Deliverable
{
    public function __construct(private RelayLetters $letters) {}

    /** @return 'impossible'|'letters'|null letters: it needs more than ASCII before the @, which the mail server does not take (RFC 6531) */
    public function problem(string $address): ?string
    {
        $ascii = (string) preg_replace('/[^\x00-\x7F]/u', 'x', explode('@', $address)[0]) . strrchr($address, '@');

        return match (true) {
            MailAddress::check($address)->address === null, !(new EmailValidator())->isValid($ascii, new NoRFCWarningsValidation()) => 'impossible',
            preg_match('/[^\x00-\x7F]/', explode('@', $address)[0]) === 1 && !$this->letters->taken() => 'letters',
            default => null,
        };
    }
}
