<?php

declare(strict_types=1);

namespace App\People;

/** The form in which names and addresses are compared: no accents, lower case, each word marked at its beginning. */
final class SearchKey
{
    public static function of(?string $name, string $email): string
    {
        return '|' . implode('|', [...self::words($name ?? ''), ...self::words($email), mb_strtolower($email)]);
    }

    /** @return list<string> */
    public static function words(string $text): array
    {
        $plain = \Transliterator::create('Any-Latin; Latin-ASCII; Lower()')?->transliterate($text);

        return preg_split('/[^a-z0-9@_+]+/', $plain === false || $plain === null ? mb_strtolower($text) : $plain, -1, PREG_SPLIT_NO_EMPTY) ?: [];
    }
}
