<?php

declare(strict_types=1);

namespace Syndex\Core\Sentence\English;

use Syndex\Core\Sentence\Cursor;
use Syndex\Core\Sentence\Heard;
use Syndex\Core\Sentence\HeardDate;
use Syndex\Core\Sentence\NotUnderstood;

/** On which date, or from which on: "tomorrow", "on 8 December", "from next Monday". */
final readonly class Starts
{
    public function __construct(private Cursor $text, private Heard $heard, private EnglishDates $dates, private EnglishClock $clock) {}

    public function start(): bool
    {
        $m = $this->text->eat('(?:(?:from|starting|starts?|beginning|begins?|commencing|as\s+of|since)(?:\s+(?:on|from|in(?!\s+(?:an?|' . EnglishPatterns::NUMBER . ')\s+(?:day|week|month))|with))?|(?:the\s+)?first\s+(?:one\s+)?on)\s+');
        if ($m === null) {
            return false;
        }
        $begin = $this->text->at;
        $range = $this->text->eat('(?:the\s+)?(\d{1,2})(?:st|nd|rd|th)?\s*(?:to\b|-|–|until\b|till\b|through\b)\s*');
        $end = $range === null ? null : $this->dates->dateHere();
        if ($range !== null && $end !== null) {
            $this->heard->hearStart(new HeardDate($m[0] . $range[0] . $end->quote, $end->year, $end->month, (int) $range[1]));
            $this->heard->hearUntil($end);

            return true;
        }
        $this->text->at = $begin;
        $date = $this->dates->dateHere() ?? $this->dates->nextPeriod() ?? $this->dates->monthHere();
        if ($date === null) {
            return false;
        }
        $this->heard->hearStart($date->at($this->clock->timeAfterDate()));
        if ($this->text->eat('\s*(?:to\b|-|–)\s*') !== null) {
            $end = $this->dates->dateHere() ?? throw NotUnderstood::of($this->text->rest(), 'date_missing');
            $this->heard->hearUntil($end);
        }

        return true;
    }

    public function date(): bool
    {
        $date = $this->dates->dateHere();
        if ($date === null) {
            return false;
        }
        $this->heard->once($this->heard->date === null, $date->quote);
        $this->heard->date = $date;

        return true;
    }
}
