<?php

declare(strict_types=1);

namespace App\Answers;

use App\People\Person;
use App\Planning\Meeting;
use Syndex\Core\Answers\AuthenticationResults;
use Syndex\Core\Invitations\MailAddress;

/** Who sent a mail, and whether that is sure. */
final class Sender
{
    /** The one of those who are asked whose address it is. */
    public static function among(Meeting $meeting, string $address): ?Person
    {
        $key = MailAddress::key($address);
        foreach ($meeting->everybody() as $asked) {
            if ($address !== '' && MailAddress::key($asked->person->email) === $key) {
                return $asked->person;
            }
        }

        return null;
    }

    /** Whether our own mail server found that the author's domain stands behind it (RFC 8601). */
    public static function isSure(ArrivedMail $mail): bool
    {
        return $mail->author !== '' && AuthenticationResults::of($mail->authenticationResults(), (string) config('syndex.mail_server'))->passes($mail->domain());
    }
}
