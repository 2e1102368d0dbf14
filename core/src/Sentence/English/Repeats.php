<?php

declare(strict_types=1);

namespace Syndex\Core\Sentence\English;

use Syndex\Core\Recurrence\Skip;
use Syndex\Core\Sentence\Cursor;
use Syndex\Core\Sentence\Heard;
use Syndex\Core\Sentence\NotUnderstood;

/** How often: "weekly", "every second month", "quarterly". */
final readonly class Repeats
{
    public function __construct(private Cursor $text, private Heard $heard, private EnglishDates $dates) {}

    public function weekStart(): bool
    {
        $m = $this->text->eat('weeks?\s+(?:starting|beginning)\s+on\s+(' . EnglishPatterns::DAY . ')');
        if ($m === null) {
            return false;
        }
        $this->heard->weekStart = EnglishNumbers::weekday($m[1]);

        return true;
    }

    public function skip(): bool
    {
        $m = $this->text->eat('moved\s+(back|forward)\s+where\s+there\s+is\s+no\s+such\s+day\b');
        if ($m === null) {
            return false;
        }
        $this->heard->skip = strtolower($m[1]) === 'back' ? Skip::Backward : Skip::Forward;

        return true;
    }

    /** "every 8 December", "every 8th of the month" */
    public function everyDate(): bool
    {
        if ($this->text->eat('(?:every|each)\s+(?:the\s+)?') === null) {
            return false;
        }
        $begin = $this->text->at;
        $m = $this->text->eat('(' . EnglishPatterns::WHICHES . ')(?=\s+of\s+(?:the|every|each)\s+month\b)');
        if ($m !== null) {
            $this->heard->hearMonthDays(EnglishNumbers::whiches($m[1]), $m[0]);

            return true;
        }
        $this->text->at = $begin;
        if ($this->text->eat('(?=\d{1,2}(?:st|nd|rd|th)?(?:\s+of)?\s+' . EnglishPatterns::MONTH . ')|(?=' . EnglishPatterns::MONTH . '\s+\d)') === null) {
            return false;
        }
        $date = $this->dates->dateHere();
        if ($date === null || $date->year !== null) {
            return false;
        }
        $this->heard->once($this->heard->date === null, $date->quote);
        $this->heard->date = $date;
        $this->heard->isYearlyDate = true;

        return true;
    }

    public function everyUnit(): bool
    {
        $m = $this->text->eat('(?:every|each|once\s+(?:a|an|per|every))\s+(?:(other|' . EnglishPatterns::NUMBER . '|' . EnglishPatterns::ORDINAL . ')\s+)?(?:(day|week|month|year|hour|minute|quarter|fortnight)s?|(seconds))\b');
        if ($m === null) {
            return false;
        }
        $this->heard->hearUnit(strtolower($m[2] !== '' ? $m[2] : 'second'), $m[1] === '' ? 1 : EnglishNumbers::number($m[1]), $m[0]);

        return true;
    }

    public function adverb(): bool
    {
        $m = $this->text->eat('(hourly|daily|weekly|fortnightly|monthly|quarterly|yearly|annually)\b');
        if ($m === null) {
            if (($m = $this->text->eat('bi[\s-]?(?:weekly|monthly|yearly|annual(?:ly)?)\b')) !== null) {
                throw NotUnderstood::of($m[0], 'twice_or_every_second');
            }

            return false;
        }
        $this->heard->hearUnit(match (strtolower($m[1])) {
            'hourly' => 'hour', 'daily' => 'day', 'weekly' => 'week', 'fortnightly' => 'fortnight', 'monthly' => 'month', 'quarterly' => 'quarter', default => 'year',
        }, 1, $m[0]);

        return true;
    }

    /** "of every second month", "of the year" */
    public function ofUnit(): bool
    {
        $m = $this->text->eat('(?:of|in)\s+(?:every|each|the)\s+(?:(other|' . EnglishPatterns::NUMBER . '|' . EnglishPatterns::ORDINAL . ')\s+)?(month|year)s?\b');
        if ($m === null) {
            return false;
        }
        $interval = $m[1] === '' ? 1 : EnglishNumbers::number($m[1]);
        if ($this->heard->unit !== strtolower($m[2]) || $interval !== 1) {
            $this->heard->hearUnit(strtolower($m[2]), $interval, $m[0]);
        }
        $this->heard->isOfUnit = true;

        return true;
    }
}
