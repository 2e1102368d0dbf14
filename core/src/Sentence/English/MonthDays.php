<?php

declare(strict_types=1);

namespace Syndex\Core\Sentence\English;

use Syndex\Core\Sentence\Cursor;
use Syndex\Core\Sentence\Heard;
use Syndex\Core\Sentence\NotUnderstood;

/** On which days of the month, in which months and weeks: "the 1st and 15th of January", "in March". */
final readonly class MonthDays
{
    public function __construct(private Cursor $text, private Heard $heard) {}

    public function ofWeek(): bool
    {
        $m = $this->text->eat('(?:of|in)\s+weeks?\s+(\d{1,2}(?:' . EnglishPatterns::AND . '\d{1,2})*)\b');
        if ($m === null) {
            return false;
        }
        $weeks = array_map(intval(...), (array) preg_split('/\D+/', $m[1]));
        if (min(1, ...$weeks) < 1 || max(53, ...$weeks) > 53) {
            throw NotUnderstood::of($m[0], 'no_such_week');
        }
        $this->heard->weeks = EnglishNumbers::sorted($weeks);

        return true;
    }

    /** "the 1st and 15th of January and July"; one day of one month is a date. */
    public function daysOfMonths(): bool
    {
        $m = $this->text->eat('(?:the\s+)?(' . EnglishPatterns::WHICHES . ')\s+of\s+(' . EnglishPatterns::MONTHS . ')');
        if ($m === null) {
            return false;
        }
        $days = EnglishNumbers::whiches($m[1]);
        $months = EnglishNumbers::monthNumbers($m[2]);
        if (count($days) * count($months) === 1) {
            return false;
        }
        $this->heard->hearMonthDays($days, $m[0]);
        $this->heard->hearMonths($months, $m[0]);

        return true;
    }

    /** "from the 7th to the 13th", "that falls on the 13th or 14th", "the 13th" after a weekday */
    public function monthDayRange(): bool
    {
        $m = $this->text->eat('from\s+the\s+(\d{1,2})(?:st|nd|rd|th)\s+to\s+the\s+(\d{1,2})(?:st|nd|rd|th)\b');
        if ($m !== null) {
            if ((int) $m[1] >= (int) $m[2]) {
                throw NotUnderstood::of($m[0], 'ends_before_start');
            }
            $this->heard->hearMonthDays(range((int) $m[1], (int) $m[2]), $m[0]);

            return true;
        }
        $m = $this->text->eat('(?:that\s+)?(?:falls?|falling)\s+on\s+the\s+(' . EnglishPatterns::WHICHES . '(?:\s*,?\s*or\s+(?:the\s+)?' . EnglishPatterns::WHICH . ')?)');
        if ($m === null) {
            return false;
        }
        $this->heard->hearMonthDays(EnglishNumbers::whiches((string) preg_replace('/\bor\b/i', ',', $m[1])), $m[0]);

        return true;
    }

    public function months(): bool
    {
        $m = $this->text->eat('(?:only\s+)?(?:in|of|during)\s+(' . EnglishPatterns::MONTHS . ')(?:\s+only\b)?');
        if ($m === null) {
            return false;
        }
        $this->heard->hearMonths(EnglishNumbers::monthNumbers($m[1]), $m[0]);

        return true;
    }

    public function monthDays(): bool
    {
        $m = $this->text->eat('(?:the\s+)?(\d{1,2}(?:st|nd|rd|th)(?:' . EnglishPatterns::AND . '(?:the\s+)?' . EnglishPatterns::WHICH . ')*)(?!\s+(?:of\s+)?' . EnglishPatterns::MONTH . ')');
        if ($m === null) {
            return false;
        }
        $this->heard->hearMonthDays(EnglishNumbers::whiches($m[1]), $m[0]);

        return true;
    }
}
