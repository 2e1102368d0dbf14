<?php

declare(strict_types=1);

namespace Syndex\Core\Sentence\English;

use Syndex\Core\Sentence\Cursor;
use Syndex\Core\Sentence\Heard;
use Syndex\Core\Sentence\NotUnderstood;

/** Until when: "12 times", "until the end of March", "for ten weeks", "no end". */
final readonly class Endings
{
    public function __construct(private Cursor $text, private Heard $heard, private EnglishDates $dates, private EnglishClock $clock) {}

    public function noEnd(): bool
    {
        if ($this->text->eat('(?:(?:with\s+)?no\s+end|without\s+(?:an\s+)?end|open[\s-]end(?:ed)?|forever|indefinitely)\b') === null) {
            return false;
        }
        $this->heard->isOpen = true;

        return true;
    }

    public function ending(): bool
    {
        $m = $this->text->eat('(?:until|till|til|through|up\s+to|ending(?:\s+on)?|ends(?:\s+on)?)\s+(?:the\s+)?(end\s+of\s+)?');
        if ($m === null) {
            return false;
        }
        if ($m[1] !== '') {
            $year = $this->text->eat('(?:(the|this|next)\s+)?year\b');
            if ($year !== null) {
                $this->heard->hearUntil($this->dates->endOfYear(strtolower($year[1]), $m[0] . $year[0]));

                return true;
            }
            $month = $this->dates->monthHere() ?? throw NotUnderstood::of($m[0] . $this->text->rest(), 'month_missing');
            $this->heard->isUntilEndOfMonth = true;
            $this->heard->hearUntil($month);

            return true;
        }
        $date = $this->dates->dateHere() ?? throw NotUnderstood::of($m[0] . $this->text->rest(), 'end_date_missing');
        $this->heard->hearUntil($date->at($this->clock->timeAfterDate()));

        return true;
    }

    public function count(): bool
    {
        $m = $this->text->eat('(?:(' . EnglishPatterns::NUMBER . '|\d{1,9})\s*(?:times\b|x(?!\w)|×|occurrences?\b|meetings\b|dates\b|sessions\b|appointments\b)(?:\s+in\s+all)?|[x×]\s?(\d{1,9})\b|(?:a\s+)?series\s+of\s+(' . EnglishPatterns::NUMBER . '))')
            ?? $this->text->eat('(?:(\d{1,9})x)(?!\w)');
        if ($m !== null) {
            $count = EnglishNumbers::number($m[1] . ($m[2] ?? '') . ($m[3] ?? ''));
            $this->heard->once($this->heard->count === null, $m[0]);
            $this->heard->count = $count > 0 ? $count : throw NotUnderstood::of($m[0], 'no_dates_counted');

            return true;
        }
        if ($this->text->eat('once\b') === null) {
            return false;
        }
        $this->heard->isOnce = true;

        return true;
    }

    /** "for ten weeks" */
    public function span(): bool
    {
        $m = $this->text->eat('for\s+(?:the\s+(?:next|first)\s+)?(' . EnglishPatterns::NUMBER . ')\s+(week|month|year)s?\b');
        if ($m === null) {
            return false;
        }
        $this->heard->once($this->heard->span === null, $m[0]);
        $this->heard->span = [EnglishNumbers::number($m[1]), strtolower($m[2])];
        if (EnglishNumbers::number($m[1]) < 1 || EnglishNumbers::number($m[1]) > 1000) {
            throw NotUnderstood::of($m[0], 'no_such_span');
        }

        return true;
    }
}
