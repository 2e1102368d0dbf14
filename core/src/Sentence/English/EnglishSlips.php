<?php

declare(strict_types=1);

namespace Syndex\Core\Sentence\English;

use Syndex\Core\Time\ZoneNames;

/** Slips of the keys: the word that was probably meant, a letter or two away. */
final readonly class EnglishSlips
{
    private const WORDS = [
        'every', 'each', 'other', 'second', 'third', 'fourth', 'first', 'last', 'weekly', 'daily', 'monthly', 'yearly', 'quarterly', 'annually', 'fortnightly',
        'week', 'weeks', 'month', 'months', 'year', 'years', 'day', 'days', 'weekday', 'weekdays', 'working', 'weekend', 'times', 'until', 'from', 'starting', 'except',
        'minutes', 'minute', 'hour', 'hours', 'noon', 'midday', 'tomorrow', 'today', 'next', 'this', 'morning', 'afternoon', 'evening', 'quarter', 'half', 'time', 'also',
    ];

    /** Shorter words are a letter away from too many others. */
    private const SHORTEST = 4;

    public function __construct(private ZoneNames $names) {}

    /**
     * @param  string  $quote  where the text stopped being understood
     * @return ?array{string, string} the text with its first slip put right, and the word meant; null if there is no such word
     */
    public function corrected(string $text, string $quote): ?array
    {
        $begin = strpos($text, $quote);
        if ($begin === false) {
            return null;
        }
        preg_match_all('/[A-Za-z]+/', $quote, $words, PREG_OFFSET_CAPTURE);
        foreach ($words[0] as [$word, $at]) {
            $meant = $this->meant($word);
            if ($meant !== null) {
                return [substr_replace($text, $meant, $begin + $at, strlen($word)), $meant];
            }
        }

        return null;
    }

    private function meant(string $word): ?string
    {
        $word = strtolower($word);
        if (strlen($word) < self::SHORTEST) {
            return null;
        }
        foreach ([[...EnglishWords::DAYS, ...EnglishWords::MONTHS, ...self::WORDS], array_map(ucwords(...), $this->names->cities())] as $words) {
            $near = self::nearest($word, $words);
            if ($near !== []) {
                // It is one of the words, or it may be several.
                return count($near) === 1 && strtolower($near[0]) !== $word ? $near[0] : null;
            }
        }

        return null;
    }

    /**
     * @param  list<string>  $words
     * @return list<string> the nearest of those that are near enough
     */
    private static function nearest(string $word, array $words): array
    {
        $most = strlen($word) < 6 ? 1 : 2;
        $near = [];
        foreach ($words as $candidate) {
            if (abs(strlen($candidate) - strlen($word)) > $most || strlen($candidate) < self::SHORTEST - 1) {
                continue;
            }
            $away = self::away($word, strtolower($candidate));
            if ($away > 1 && $word[0] !== strtolower($candidate[0])) {
                continue;
            }
            if ($away < $most || $near === []) {
                $near = $away < $most ? [] : $near;
            }
            if ($away <= $most) {
                $most = $away;
                $near[] = $candidate;
            }
        }

        return array_values(array_unique($near));
    }

    /** Letters to be changed, put in or left out; two that changed places count once. */
    private static function away(string $a, string $b): int
    {
        $away = levenshtein($a, $b);
        if ($away === 2 && strlen($a) === strlen($b)) {
            for ($i = 0; $i < strlen($a) - 1; $i++) {
                if (substr_replace($a, $a[$i + 1] . $a[$i], $i, 2) === $b) {
                    return 1;
                }
            }
        }

        return $away;
    }
}
