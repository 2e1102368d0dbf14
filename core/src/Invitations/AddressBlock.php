<?php

declare(strict_types=1);

namespace Syndex\Core\Invitations;

/**
 * Takes a block of addresses apart, as it is copied out of a mail or a list: "a@x.example, b@x.example; Karl Drei <c@x.example>".
 *
 * Addresses are parted by commas, semicolons and line breaks (RFC 5322 3.4 and common practice), or by nothing but spaces; a
 * comma within quotes or before an angle bracket belongs to a name. Of a group only its people are taken, and comments in and
 * behind an address are passed over (RFC 5322 3.2.2, 3.4).
 */
final class AddressBlock
{
    /** So many are read at once. */
    public const MOST = 500;

    /** A comment, with those within it; "(at)" is none, but how some write their address. */
    private const COMMENT = '(?!\((?i:at)\))(?<comment>\((?:[^()\\\\]|\\\\.|(?&comment))*+\))';

    private const QUOTED = '"(?:[^"\\\\]|\\\\.)*"';

    /**
     * @param  list<string>  $knownDomains
     * @return list<AddressCheck> in the order of the text, each address once
     */
    public static function read(string $typed, array $knownDomains = []): array
    {
        $checks = [];
        foreach (array_slice(self::pieces($typed), 0, self::MOST + 1) as $piece) {
            $check = MailAddress::check($piece, $knownDomains);
            $checks[$check->address === null ? "?$piece" : MailAddress::key($check->address)] ??= $check->of($piece);
        }

        return array_values($checks);
    }

    /** @return list<string> one for each address, with the name that stands beside it */
    public static function pieces(string $typed): array
    {
        if (!mb_check_encoding($typed, 'UTF-8')) {
            return [$typed];
        }
        $text = self::replaced('/^\s*(?:to|cc|bcc|an|para|à)\s*:\s*/imu', '', $typed);
        // "rosa@anden,example": a comma for a dot, where a domain would have none.
        $text = self::replaced('/(@[^\s,;<>@.]+),(?=[^\s,;<>@]+(?:[\s,;]|\z))/u', "\$1\x1A", $text);
        // "Drei, Karl <c@x.example>": up to an angle bracket a comma belongs to the name, if no address stands before it.
        if (preg_match_all('/(?:' . self::QUOTED . '|[^,;<>\n"@]|,(?=[^,;<>@\n]*<))*<[^<>\n]*>|' . self::QUOTED . '[^,;\n]*|[^,;\n]+/u', self::withoutComments($text), $found) === false) {
            return [$typed];
        }
        $pieces = [];
        foreach ($found[0] as $piece) {
            $piece = str_replace("\x1A", ',', trim($piece, " \t\r\n,;"));
            // "A Group: Karl Drei <c@x.example>": the name of the group is nobody's.
            $piece = self::replaced('/\A(?!mailto:)[^":<>@]*:\s*(?=[^\s])/iu', '', $piece);
            if (preg_match('/\A(?:[\s,;]|' . self::COMMENT . ')*\z/u', $piece) === 1) {
                continue;
            }
            // Nothing but spaces between several addresses.
            $words = preg_split('/\s+/u', $piece, -1, PREG_SPLIT_NO_EMPTY) ?: [];
            $addresses = array_filter($words, static fn(string $word): bool => preg_match('/\A[^@<>]+@[^@<>]+\z/u', $word) === 1);
            $pieces = count($addresses) > 1 && count($addresses) === count($words) ? [...$pieces, ...$words] : [...$pieces, $piece];
        }

        return $pieces;
    }

    /** Comments within angle brackets and behind them fall away; one behind a bare address is the name, as it was of old. */
    private static function withoutComments(string $text): string
    {
        $text = self::replaced('/\r?\n[ \t]+(?=:)/', ' ', $text);
        $text = preg_replace_callback('/<[^<>\n]*>/u', static fn(array $m): string => self::replaced('/\s*' . self::COMMENT . '/u', '', $m[0]), $text) ?? $text;
        $text = self::replaced('/(?<=>)(?:[ \t]*' . self::COMMENT . ')+/u', '', $text);

        return self::replaced('/(?<![^\s,;:])([^\s<>,;:"()]+@[^\s<>,;"()]+)[ \t]*\(([^()<>@"\n]*)\)/u', '$2 <$1>', $text);
    }

    /** What is too tangled to be searched stays as it is. */
    private static function replaced(string $pattern, string $by, string $text): string
    {
        return preg_replace($pattern, $by, $text) ?? $text;
    }
}
