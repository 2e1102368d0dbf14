<?php

declare(strict_types=1);

namespace Syndex\Core\VCard;

use Syndex\Core\ICalendar\PropertyLine;
use Syndex\Core\ICalendar\Unfolding;

/** Reads vCards of versions 3.0 (RFC 2426) and 4.0 (RFC 6350), card by card. What is not understood is passed over. */
final class CardReader
{
    /**
     * @param  iterable<string>  $chunks  of a file that may hold many
     * @return \Generator<int, Card> by the number of the line at which it begins
     */
    public static function cards(iterable $chunks): \Generator
    {
        $begun = null;
        $found = [];
        foreach (Unfolding::lines($chunks) as $number => $text) {
            // A group stands before the name (RFC 6350 3.3).
            $line = PropertyLine::parse($number, (string) preg_replace('/\A[A-Za-z0-9-]+\.(?=[A-Za-z])/', '', $text));
            if ($line === null) {
                continue;
            }
            if ($line->name === 'BEGIN' && strtoupper($line->value) === 'VCARD') {
                [$begun, $found] = [$number, []];
            } elseif ($line->name === 'END' && $begun !== null) {
                yield $begun => self::card($found);
                $begun = null;
            } elseif ($begun !== null) {
                $found[$line->name][] = $line;
            }
        }
    }

    /** @param array<string, list<PropertyLine>> $found */
    private static function card(array $found): Card
    {
        $text = static function (string $name) use ($found): ?string {
            $line = self::preferred($found[$name] ?? []);

            return $line === null || trim($line->text()) === '' ? null : trim($line->text());
        };
        $email = $text('EMAIL');
        $phone = $text('TEL');

        return new Card(
            $text('FN') ?? self::nameOf($found['N'][0] ?? null),
            $email === null ? null : (string) preg_replace('/\Amailto:/i', '', $email),
            $text('TZ'),
            $text('LANG') ?? $text('LANGUAGE'),
            self::countryOf($found['ADR'] ?? []),
            $phone === null ? null : (string) preg_replace('/\Atel:|;.*\z/i', '', $phone),
            $text('TITLE') ?? $text('ROLE'),
            self::categories($found['CATEGORIES'] ?? []),
            $text('FBURL') ?? $text('CALURI'),
        );
    }

    /**
     * The one that is preferred: PREF=1 (RFC 6350 5.3) or TYPE=pref (RFC 2426 3.3), else the first.
     *
     * @param  list<PropertyLine>  $lines
     */
    private static function preferred(array $lines): ?PropertyLine
    {
        $rank = static fn(PropertyLine $l): int => isset($l->parameters['PREF']) ? (int) $l->parameters['PREF'] : (preg_match('/\bpref\b/i', $l->parameters['TYPE'] ?? '') === 1 ? 1 : 101);
        usort($lines, static fn(PropertyLine $a, PropertyLine $b): int => $rank($a) <=> $rank($b));

        return $lines[0] ?? null;
    }

    /** Family name; given name; others; before; after (RFC 6350 6.2.2). */
    private static function nameOf(?PropertyLine $line): ?string
    {
        if ($line === null) {
            return null;
        }
        $parts = self::components($line->value);
        $name = trim(preg_replace('/\s+/u', ' ', implode(' ', [$parts[3] ?? '', $parts[1] ?? '', $parts[2] ?? '', $parts[0] ?? ''])) ?? '');

        return $name === '' ? null : $name;
    }

    /** @param list<PropertyLine> $lines */
    private static function countryOf(array $lines): ?string
    {
        foreach ($lines as $line) {
            $country = trim(self::components($line->value)[6] ?? '');
            if ($country !== '') {
                return $country;
            }
        }

        return null;
    }

    /**
     * @param  list<PropertyLine>  $lines
     * @return list<string>
     */
    private static function categories(array $lines): array
    {
        $all = [];
        foreach ($lines as $line) {
            foreach (preg_split('/(?<!\\\\),/', $line->value) ?: [] as $one) {
                $all[] = trim(self::plain($one));
            }
        }

        return array_values(array_unique(array_filter($all, static fn(string $one): bool => $one !== '')));
    }

    /** @return list<string> */
    private static function components(string $value): array
    {
        return array_map(self::plain(...), preg_split('/(?<!\\\\);/', $value) ?: []);
    }

    private static function plain(string $written): string
    {
        return strtr($written, ['\\n' => ' ', '\\N' => ' ', '\\,' => ',', '\\;' => ';', '\\\\' => '\\']);
    }
}
