<?php

declare(strict_types=1);

namespace App\People;

/** The form in which words are searched: no accents, lower case; each is found by how it begins. */
final class SearchKey
{
    /** As long as the column is. */
    private const LONGEST = 64;

    /** @return list<string> */
    public static function words(string $text): array
    {
        $plain = \Transliterator::create('Any-Latin; Latin-ASCII; Lower()')?->transliterate($text);

        return preg_split('/[^a-z0-9@_+]+/', $plain === false || $plain === null ? mb_strtolower($text) : $plain, -1, PREG_SPLIT_NO_EMPTY) ?: [];
    }

    /** @return list<string> what a person is found by: each word of the name and of the address, the parts of the latter around its @, and initials */
    public static function parts(?string $name, string $email): array
    {
        return array_values(array_unique([...self::distinct(($name ?? '') . ' ' . $email . ' ' . str_replace('@', ' ', $email)), ...self::initials($name)]));
    }

    /** @return list<string> of all the words of a name, and of its first and last */
    public static function initials(?string $name): array
    {
        $words = self::words($name ?? '');
        if (count($words) < 2) {
            return [];
        }
        $letters = array_map(static fn(string $w): string => $w[0], $words);

        return array_values(array_unique([implode('', array_slice($letters, 0, 8)), $letters[0] . $letters[count($letters) - 1]]));
    }

    /** The one line in which any part of a name or an address is looked for: each word after a space. */
    public static function line(?string $name, string $email): string
    {
        return ' ' . substr(implode(' ', self::parts($name, $email)), 0, 398);
    }

    /** @return list<string> */
    public static function distinct(string $text): array
    {
        return array_values(array_unique(array_map(static fn(string $word): string => substr($word, 0, self::LONGEST), self::words($text))));
    }

    /** @return list<string> each typed word as a pattern for its beginning; signs alone begin nothing */
    public static function beginnings(string $typed): array
    {
        if (trim($typed) !== '' && self::words($typed) === []) {
            return [''];
        }

        return array_map(static fn(string $word): string => addcslashes($word, '%_\\') . '%', self::distinct($typed));
    }

    /** A name as it is compared and listed. */
    public static function name(string $name): string
    {
        return substr(implode(' ', self::words($name)), 0, 120);
    }

    /** Where somebody stands in a list: colleagues first, by name, else by address. */
    public static function listed(bool $isGuest, ?string $name, string $email): string
    {
        return ($isGuest ? '1 ' : '0 ') . substr(implode(' ', self::words($name === null || $name === '' ? $email : $name)), 0, 110);
    }
}
