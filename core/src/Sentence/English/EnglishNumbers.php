<?php

declare(strict_types=1);

namespace Syndex\Core\Sentence\English;

/** What English weekdays, months and numbers mean. */
final class EnglishNumbers
{
    public static function weekday(string $word): int
    {
        return (int) array_search(strtolower(substr($word, 0, 2)), ['mo', 'tu', 'we', 'th', 'fr', 'sa', 'su'], true);
    }

    /** @return list<int> */
    public static function weekdays(string $words): array
    {
        preg_match_all('/' . EnglishPatterns::DAY . '/iu', $words, $m);

        return array_values(array_unique(array_map(self::weekday(...), $m[0])));
    }

    public static function month(string $word): int
    {
        return (int) array_search(strtolower(substr($word, 0, 3)), ['', 'jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'], true);
    }

    /** @return list<int> */
    public static function monthNumbers(string $words): array
    {
        preg_match_all('/' . EnglishPatterns::MONTH . '/iu', $words, $m);

        return array_map(self::month(...), $m[0]);
    }

    /** @return list<int> "first and last": [1, -1] */
    public static function whiches(string $words): array
    {
        preg_match_all('/' . EnglishPatterns::WHICH . '/iu', $words, $m);

        return array_map(static function (string $word): int {
            $nth = preg_match('/\Alast\z/i', $word) === 1 ? 1 : self::number((string) preg_replace('/[\s-]to[\s-]last\z/i', '', $word));

            return preg_match('/last\z/i', $word) === 1 ? -$nth : max(1, $nth);
        }, $m[0]);
    }

    /** A number or an ordinal, in figures or as a word. */
    public static function number(string $word): int
    {
        $word = strtolower($word);
        if ($word === 'other') {
            return 2;
        }
        $found = array_search($word, EnglishWords::NUMBERS, true) ?: array_search($word, EnglishWords::ORDINALS, true);

        return $found === false ? (int) $word : $found;
    }

    /**
     * @param  list<int>  $numbers
     * @return list<int>
     */
    public static function sorted(array $numbers): array
    {
        $numbers = array_values(array_unique($numbers));
        sort($numbers);

        return $numbers;
    }
}
