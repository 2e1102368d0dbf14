<?php

declare(strict_types=1);

namespace App\Invitations;

use Symfony\Component\Mailer\Transport\Smtp\EsmtpTransport;

/** A conversation with a mail server that tells what the server can. */
final class RelayTransport extends EsmtpTransport
{
    /** Whether it said SMTPUTF8 when it greeted (RFC 6531 3.1). */
    public function takesLetters(): bool
    {
        return $this->serverSupportsSmtpUtf8();
    }
}
