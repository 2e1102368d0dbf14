<?php

declare(strict_types=1);

namespace Syndex\Core\Sentence\English;

use Syndex\Core\Sentence\Cursor;
use Syndex\Core\Sentence\Heard;
use Syndex\Core\Sentence\NotUnderstood;

/** Reads times of day wherever one may stand. */
final readonly class EnglishClock
{
    public function __construct(private Cursor $text, private Heard $heard) {}

    public function timeAfterDate(): ?int
    {
        $begin = $this->text->at;
        $this->text->eat('\s*,?\s*');
        $time = $this->text->sees('at\b|@') ? $this->timeHere() : null;
        if ($time === null) {
            $this->text->at = $begin;
        }

        return $time;
    }

    /** @return ?int second of the day */
    public function timeHere(): ?int
    {
        $begin = $this->text->at;
        $isAt = $this->text->eat('(?:at\b|@)\s*') !== null;
        if ($this->text->eat('(?:noon|midday)\b') !== null) {
            return 43200;
        }
        if (($m = $this->text->eat('midnight\b|half\s+(?!past\b|an?\b|hour)' . EnglishPatterns::NUMBER)) !== null) {
            throw NotUnderstood::of($m[0], 'vague_time');
        }
        $m = $this->text->eat('(quarter\s+past|quarter\s+to|half\s+past)\s+(' . EnglishPatterns::NUMBER . ')(?:\s*(am\b|pm\b))?' . $this->partPattern());
        if ($m !== null) {
            $time = $this->clock((string) EnglishNumbers::number($m[2]), '', $m[3], $m[4], $m[0]) + match (strtolower($m[1][0] . substr($m[1], -1))) {
                'ht' => 1800, 'qt' => 900, default => -900,
            };

            return ($time + 86400) % 86400;
        }
        $m = $this->text->eat('(\d{1,2}):(\d{2})(?::(\d{2}))?(?![\d:])(?:\s*(am\b|pm\b|a\.m\.|p\.m\.))?(?:\s*(?:hrs?|h|o[\'’]clock)\b)?' . $this->partPattern())
            ?? $this->text->eat('(\d{1,2})[.h](\d{2})()(?![\d.])(?:\s*(am\b|pm\b|a\.m\.|p\.m\.))?(?:\s*(?:hrs?|h)\b)?' . $this->partPattern())
            ?? $this->text->eat('(\d{1,2})()()\s*(am\b|pm\b|a\.m\.|p\.m\.)' . $this->partPattern())
            ?? ($isAt ? $this->text->eat('(\d{2})(\d{2})()(?![\d:.])()(?:\s*(?:hrs?|h)\b)?' . $this->partPattern()) : null)
            ?? $this->text->eat('(\d{1,2})()()()h\b' . $this->partPattern());
        if ($m !== null) {
            return $this->clock($m[1], $m[2], $m[4], $m[5], $this->text->since($begin), $m[3]);
        }
        $m = $isAt ? $this->text->eat('(' . EnglishPatterns::NUMBER . ')(?![:.\d])(?:\s*o[\'’]clock\b)?' . $this->partPattern()) : null;
        if ($m === null) {
            $this->text->at = $begin;

            return null;
        }

        return $this->clock((string) EnglishNumbers::number($m[1]), '', '', $m[2], $this->text->since($begin));
    }

    public function partPattern(): string
    {
        return '(?:\s+in\s+the\s+(morning|afternoon|evening)\b)?';
    }

    public function clock(string $hour, string $minute, string $half, string $part, string $quote, string $second = ''): int
    {
        [$h, $m, $s] = [(int) $hour, (int) $minute, (int) $second];
        $part = $part === '' ? $this->heard->partOfDay : strtolower($part);
        if ($h > 23 || $m > 59 || $s > 59 || ($half !== '' && ($h < 1 || $h > 12))) {
            throw NotUnderstood::of($quote, 'no_such_time');
        }
        if ($half !== '') {
            $h = $h % 12 + (strtolower($half[0]) === 'p' ? 12 : 0);
        } elseif ($part === 'afternoon' || $part === 'evening') {
            $h += $h < 12 ? 12 : 0;
        } elseif ($part === null && $h >= 1 && $h <= 6 && strlen($hour) === 1) {
            throw NotUnderstood::of($quote, 'morning_or_afternoon', ['early' => sprintf('%02d:%02d', $h, $m), 'late' => sprintf('%02d:%02d', $h + 12, $m)]);
        }
        if (($part === 'morning' && $h >= 12) || ($part === 'afternoon' && ($h < 12 || $h > 18)) || ($part === 'evening' && $h < 17)) {
            throw NotUnderstood::of($quote, 'not_in_part_of_day', ['part' => $part]);
        }

        return $h * 3600 + $m * 60 + $s;
    }
}
