<?php

declare(strict_types=1);

namespace Syndex\Core\Sentence\English;

use Syndex\Core\Sentence\Cursor;
use Syndex\Core\Sentence\Heard;
use Syndex\Core\Sentence\NotUnderstood;

/** How long: "for 45 minutes", "half an hour", "all day, for 3 days". */
final readonly class Lengths
{
    public function __construct(private Cursor $text, private Heard $heard) {}

    public function allDay(): bool
    {
        if ($this->text->eat('all[\s-]day\b') === null) {
            return false;
        }
        $this->heard->isAllDay = true;

        return true;
    }

    /** Lengths told in halves and quarters of an hour. */
    public function halfHours(): bool
    {
        foreach (['an\s+hour\s+and\s+a\s+half' => 90, 'an\s+hour\s+and\s+a\s+quarter' => 75, 'half\s+an\s+hour' => 30, '(?:a\s+)?half[\s-]hour' => 30, 'three[\s-]quarters\s+of\s+an\s+hour' => 45, '(?:a\s+)?quarter\s+of\s+an\s+hour' => 15, 'an\s+hour' => 60] as $words => $minutes) {
            $m = $this->text->eat('(?:for\s+|lasting\s+)?' . $words . '\b');
            if ($m !== null) {
                $this->heard->hearMinutes($minutes, $m[0]);

                return true;
            }
        }

        return false;
    }

    public function lengthInDays(): bool
    {
        $m = $this->text->eat('(?:for\s+)?(' . EnglishPatterns::NUMBER . ')\s+days\b');
        if ($m === null) {
            return false;
        }
        $this->heard->once($this->heard->lengthInDays === null, $m[0]);
        $days = EnglishNumbers::number($m[1]);
        $this->heard->lengthInDays = $days >= 1 && $days <= 366 ? $days : throw NotUnderstood::of($m[0], 'no_such_length');

        return true;
    }

    public function length(): bool
    {
        $m = $this->text->eat('(?:for\s+|lasting\s+)?(?:(\d{1,4})[.,](\d{1,2})|(' . EnglishPatterns::NUMBER . '|\d{1,5}))[\s-]*(?:hours?|hrs?|h)(?:\s*(?:and\s+)?(\d{1,2})[\s-]*(?:minutes?|mins?|m)?)?(?![\w])');
        if ($m !== null) {
            $hours = $m[3] === '' ? (float) "$m[1].$m[2]" : EnglishNumbers::number($m[3]);
            $minutes = $hours * 60 + (int) $m[4];
            if ($m[3] !== '' && $this->heard->times === [] && preg_match('/\A\d+h/i', $m[0]) === 1 && (int) $m[3] >= 7) {
                return false;
            }
            if ($minutes !== floor($minutes) && is_float($minutes)) {
                throw NotUnderstood::of($m[0], 'no_whole_minutes');
            }
            $this->heard->hearMinutes((int) $minutes, $m[0]);

            return true;
        }
        $m = $this->text->eat('(?:for\s+|lasting\s+)?(' . EnglishPatterns::NUMBER . '|\d{1,6})[\s-]*(?:minutes?|mins?|m|\'|’|′)(?![\w])');
        if ($m === null) {
            return false;
        }
        $this->heard->hearMinutes(EnglishNumbers::number($m[1]), $m[0]);

        return true;
    }
}
