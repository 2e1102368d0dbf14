<?php

declare(strict_types=1);

namespace App\Operations;

use App\Invitations\SignMail;
use Illuminate\Console\Command;

/**
 * Whether receiving servers will believe that our mails are ours, a line each for the doctor.
 *
 * From and the envelope sender are both of the mail domain, so SPF (RFC 7208) is aligned for DMARC (RFC 7489 3.1.2) as soon as it
 * passes; with a key, DKIM (RFC 6376) is too.
 */
final class DoctorMail extends Command
{
    private const HOW = 'See docs/mail.md.';

    protected $signature = 'doctor:mail';

    protected $description = 'Facts about mail for bin/syndex doctor';

    public function handle(Dns $dns): int
    {
        $domain = (string) config('syndex.mail_domain');
        $this->spf($dns, $domain);
        $this->dkim($dns, $domain);
        $this->dmarc($dns, $domain);

        return self::SUCCESS;
    }

    private function spf(Dns $dns, string $domain): void
    {
        $texts = $dns->texts($domain);
        $found = self::of($texts, 'v=spf1');
        match (true) {
            $texts === null => $this->tell(true, "SPF of $domain  not checked: nobody could be asked"),
            count($found) > 1 => $this->tell(false, "SPF of $domain  there are several, so none counts (RFC 7208 4.5)", self::HOW),
            $found === [] => $this->tell(false, "SPF of $domain  there is none", self::HOW),
            default => $this->tell(true, "SPF of $domain  $found[0]"),
        };
    }

    private function dkim(Dns $dns, string $domain): void
    {
        try {
            $key = SignMail::key();
        } catch (\RuntimeException $unreadable) {
            $this->tell(false, 'DKIM  ' . $unreadable->getMessage(), 'DKIM_KEY_FILE in app.env names the file.');

            return;
        }
        if ($key === null) {
            $this->tell(true, 'DKIM  mails are not signed, since no key is set');

            return;
        }
        $name = config('syndex.dkim.selector') . "._domainkey.$domain";
        $texts = $dns->texts($name);
        $found = self::of($texts, 'v=DKIM1');
        $public = openssl_pkey_get_details(openssl_pkey_get_private($key) ?: throw new \LogicException('read before'))['key'] ?? '';
        $wanted = (string) preg_replace('/-----[^-]+-----|\s/', '', (string) $public);
        match (true) {
            $texts === null => $this->tell(true, "DKIM at $name  not checked: nobody could be asked"),
            $found === [] => $this->tell(false, "DKIM at $name  the public key is not there", "Set this text there:  v=DKIM1; k=rsa; p=$wanted"),
            !str_contains((string) preg_replace('/\s/', '', $found[0]), "p=$wanted") => $this->tell(false, "DKIM at $name  it is another key", "Set this text there:  v=DKIM1; k=rsa; p=$wanted"),
            default => $this->tell(true, "DKIM at $name  the key is there"),
        };
    }

    private function dmarc(Dns $dns, string $domain): void
    {
        $texts = $dns->texts("_dmarc.$domain");
        $found = self::of($texts, 'v=DMARC1');
        match (true) {
            $texts === null => $this->tell(true, "DMARC of $domain  not checked: nobody could be asked"),
            $found === [] => $this->tell(false, "DMARC of $domain  there is none", self::HOW),
            default => $this->tell(true, "DMARC of $domain  $found[0]"),
        };
    }

    /**
     * @param  ?list<string>  $texts
     * @return list<string>
     */
    private static function of(?array $texts, string $beginning): array
    {
        return array_values(array_filter($texts ?? [], static fn(string $text): bool => $text === $beginning || str_starts_with($text, "$beginning ") || str_starts_with($text, "$beginning;")));
    }

    private function tell(bool $good, string $text, string $remedy = ''): void
    {
        $this->line(implode('|', [$good ? 'ok' : 'fault', $text, $remedy]));
    }
}
