<?php

declare(strict_types=1);

namespace App\Invitations;

use Symfony\Component\Mime\Crypto\DkimOptions;
use Symfony\Component\Mime\Crypto\DkimSigner;
use Symfony\Component\Mime\Message;

/** Signs mails of our domain (RFC 6376), where a key is set. */
final class SignMail
{
    /** RFC 6376 5.4.1: what a reader sees, and what a mail is known and answered by. */
    private const IGNORED = ['auto-submitted', 'mime-version', 'content-transfer-encoding'];

    public static function of(Message $mail): Message
    {
        $key = self::key();

        return $key === null ? $mail : (new DkimSigner($key, (string) config('syndex.mail_domain'), (string) config('syndex.dkim.selector')))
            ->sign($mail, (new DkimOptions())->headerCanon('relaxed')->bodyCanon('relaxed')->headersToIgnore(self::IGNORED)->toArray());
    }

    /** @throws \RuntimeException if a key is set and cannot be read: unsigned, the mail would be taken for a forgery */
    public static function key(): ?string
    {
        $file = config('syndex.dkim.key_file');
        if (!is_string($file) || $file === '') {
            return null;
        }
        $key = @file_get_contents($file);
        if ($key === false || openssl_pkey_get_private($key) === false) {
            throw new \RuntimeException('The key for signing mails is set and cannot be read.');
        }

        return $key;
    }
}
