<?php

declare(strict_types=1);

namespace Syndex\Core\Invitations;

/**
 * Checks an address as it is typed: its shape (RFC 5322 3.4.1, dot-atom), its domain (RFC 1035 2.3.1, RFC 5890),
 * and the slips that people make.
 */
final class MailAddress
{
    /** A name beside an address may have so many characters; what is longer is cut. */
    public const MOST_NAME = 200;

    private const ATOM = "[A-Za-z0-9!#$%&'*+\\/=?^_`{|}~\\x{80}-\\x{10FFFF}-]+";

    /** Signs that nobody sees and no mail server takes: control and format characters, among them zero-width ones and the soft hyphen. */
    private const INVISIBLE = '/(?![\t\r\n])[\p{Cc}\p{Cf}\p{Co}\p{Cn}\p{Zl}\p{Zp}]/u';

    /** Endings that no domain has, and what was meant (common practice, no published source). */
    private const ENDINGS = ['con' => 'com', 'cmo' => 'com', 'ocm' => 'com', 'comm' => 'com', 'ogr' => 'org', 'rog' => 'org', 'nte' => 'net', 'ent' => 'net', 'exmaple' => 'example', 'examlpe' => 'example'];

    /** @param list<string> $knownDomains domains of addresses that are in use, for telling a near miss */
    public static function check(string $typed, array $knownDomains = []): AddressCheck
    {
        if (!mb_check_encoding($typed, 'UTF-8')) {
            return new AddressCheck(null, null, 'invisible', null);
        }
        [$text, $name] = self::withoutName(trim($typed));
        if ($text === '') {
            return new AddressCheck(null, $name, 'empty', null);
        }
        $problem = self::problem($text);
        $mended = self::mended($text, $knownDomains);
        $suggestion = $mended !== $text && self::problem($mended) === null ? self::normal($mended) : null;
        if ($problem !== null) {
            return new AddressCheck(null, $name, $problem, $suggestion);
        }
        $address = self::normal($text);

        return new AddressCheck($address, $name, $suggestion === null || $suggestion === $address ? null : 'slip', $suggestion === $address ? null : $suggestion);
    }

    /**
     * The form in which addresses are compared: without regard to letter case, which no receiving host tells apart (RFC 5321
     * 2.4), but with every accent, since "josé@" and "jose@" are two people.
     */
    public static function key(string $address): string
    {
        $composed = \Normalizer::normalize($address, \Normalizer::FORM_C);

        return mb_strtolower(is_string($composed) ? $composed : $address);
    }

    /** The domain in lower case and as ASCII; the part before it belongs to the receiving host (RFC 5321 2.4). */
    public static function normal(string $address): string
    {
        $at = (int) strrpos($address, '@');
        $domain = mb_strtolower(substr($address, $at + 1));
        $ascii = idn_to_ascii($domain, IDNA_DEFAULT, INTL_IDNA_VARIANT_UTS46);

        return substr($address, 0, $at + 1) . ($ascii === false ? $domain : $ascii);
    }

    /** @return array{string, ?string} */
    private static function withoutName(string $typed): array
    {
        if (preg_match('/\A(.*?)<([^<>]*)>\s*\z/su', $typed, $m) === 1) {
            $name = trim((string) preg_replace(self::INVISIBLE, '', $m[1]));
            // A backslash in quotes takes the sign behind it as it is (RFC 5322 3.2.4).
            $name = preg_match('/\A"((?:[^"\\\\]|\\\\.)*)"\z/su', $name, $quoted) === 1 ? trim((string) preg_replace('/\\\\(.)/su', '$1', $quoted[1])) : trim($name, " \t\"'");

            return [trim($m[2]), $name === '' ? null : mb_substr($name, 0, self::MOST_NAME)];
        }

        return [(string) preg_replace('/\Amailto:/i', '', $typed), null];
    }

    /** @return 'invisible'|'no_at'|'two_at'|'bad_local'|'bad_domain'|'no_dot'|null */
    private static function problem(string $text): ?string
    {
        if (preg_match(self::INVISIBLE, $text) !== 0) {
            return 'invisible';
        }
        $parts = explode('@', $text);
        if (count($parts) !== 2) {
            return count($parts) < 2 ? 'no_at' : 'two_at';
        }
        [$local, $domain] = $parts;
        if (strlen($local) > 64 || preg_match('/\A' . self::ATOM . '(\.' . self::ATOM . ')*\z/u', $local) !== 1) {
            return 'bad_local';
        }
        $ascii = idn_to_ascii(mb_strtolower($domain), IDNA_DEFAULT, INTL_IDNA_VARIANT_UTS46);
        if ($ascii === false || strlen($ascii) > 253 || preg_match('/\A([a-z0-9]([a-z0-9-]{0,61}[a-z0-9])?\.)*[a-z0-9]([a-z0-9-]{0,61}[a-z0-9])?\z/', $ascii) !== 1) {
            return 'bad_domain';
        }
        if (!str_contains($ascii, '.') || preg_match('/\.[0-9]+\z/', $ascii) === 1) {
            return 'no_dot';
        }

        return null;
    }

    /** @param list<string> $knownDomains */
    private static function mended(string $text, array $knownDomains): string
    {
        $text = (string) preg_replace('/\s+/u', '', $text);
        $text = (string) preg_replace(self::INVISIBLE, '', $text);
        $text = (string) preg_replace('/\((at|AT)\)|\[(at|AT)\]/', '@', $text);
        $text = (string) preg_replace('/@{2,}/', '@', $text);
        $text = trim($text, '.,;:<>()"\'');
        $text = str_replace([',', ';'], '.', $text);
        $text = (string) preg_replace('/\.{2,}/', '.', $text);
        $text = str_replace(['.@', '@.'], '@', $text);
        $at = strrpos($text, '@');
        if ($at === false) {
            return $text;
        }
        $domain = mb_strtolower(substr($text, $at + 1));
        $labels = explode('.', $domain);
        $ending = array_pop($labels);
        $domain = implode('.', [...$labels, self::ENDINGS[$ending] ?? $ending]);

        return substr($text, 0, $at + 1) . (self::nearest($domain, $knownDomains) ?? $domain);
    }

    /**
     * A known domain that one slip of the finger turns into this one: a letter missing, doubled, wrong, or two swapped.
     *
     * @param  list<string>  $knownDomains
     */
    private static function nearest(string $domain, array $knownDomains): ?string
    {
        if (strlen($domain) < 6 || in_array($domain, $knownDomains, true)) {
            return null;
        }
        foreach ($knownDomains as $known) {
            if (abs(strlen($known) - strlen($domain)) <= 1 && (levenshtein($known, $domain) === 1 || self::isSwapped($known, $domain))) {
                return $known;
            }
        }

        return null;
    }

    private static function isSwapped(string $a, string $b): bool
    {
        if (strlen($a) !== strlen($b)) {
            return false;
        }
        for ($i = 0; $i + 1 < strlen($a); $i++) {
            if ($a[$i] !== $b[$i]) {
                return $a[$i] === $b[$i + 1] && $a[$i + 1] === $b[$i] && substr($a, $i + 2) === substr($b, $i + 2);
            }
        }

        return false;
    }
}
