<?php

declare(strict_types=1);

namespace Syndex\Core\Sentence\English;

use Syndex\Core\Sentence\Cursor;
use Syndex\Core\Sentence\Heard;
use Syndex\Core\Sentence\NotUnderstood;

/** At which time of day: "at 15:30", "9 to 10", "in the morning". */
final readonly class Times
{
    public function __construct(private Cursor $text, private Heard $heard, private EnglishClock $clock) {}

    /** "15:30-16:15", "from 9 to 10", "between 15:30 and 16:15", "2-3:30pm" */
    public function clockRange(): bool
    {
        $m = $this->text->eat('(?:(at|from|between)\s+)?' . EnglishPatterns::CLOCK . '\s*(?:-|–|—|to\b|until\b|till\b|and\b)\s*' . EnglishPatterns::CLOCK . '(?!(?:st|nd|rd|th)?(?:\s+of)?\s+' . EnglishPatterns::MONTH . '|[\w.-]*\d)' . $this->clock->partPattern());
        if ($m === null) {
            return false;
        }
        [$quote, $lead, $h1, $m1, $p1, $h2, $m2, $p2, $part] = $m;
        $isAnd = preg_match('/\d\s*(?:am|pm|a\.m\.|p\.m\.)?\s*and\b/i', $quote) === 1;
        $isClock = $m1 !== '' || $m2 !== '' || $p1 !== '' || $p2 !== '' || $lead !== '';
        if (!$isClock || ($isAnd !== (strtolower($lead) === 'between'))) {
            return false;
        }
        if ($p1 === '' && $p2 !== '' && (int) $h1 <= 12) {
            // "2-3:30pm", "11-1pm": the half of the day that makes the shorter meeting
            $end = $this->clock->clock($h2, $m2, $p2, $part, $quote);
            $same = $this->clock->clock($h1, $m1, $p2, $part, $quote);
            $p1 = $same < $end ? $p2 : (str_starts_with(strtolower($p2), 'p') ? 'am' : 'pm');
        }
        $from = $this->clock->clock($h1, $m1, $p1, $part, $quote);
        $to = $this->clock->clock($h2, $m2, $p2, $part, $quote);
        if ($from === $to) {
            throw NotUnderstood::of($quote, 'no_length');
        }
        $this->heard->once($this->heard->times === [], $quote);
        $this->heard->times = [$from];
        $this->heard->hearMinutes(intdiv(($to - $from + 86400) % 86400, 60), $quote);

        return true;
    }

    public function atTime(): bool
    {
        return $this->text->sees('at\b|@') && $this->time();
    }

    public function time(): bool
    {
        $begin = $joint = $this->text->at;
        $times = [];
        do {
            $from = $this->text->at;
            $time = $this->clock->timeHere();
            if ($time === null) {
                $this->text->at = $from;
                if ($times === []) {
                    return false;
                }
                $this->text->at = $joint;
                break;
            }
            $times[] = $time;
            $joint = $this->text->at;
        } while ($this->text->eat('\s*(?:,|\band\b|&|\+)\s*') !== null);
        $this->text->at = $joint;
        $this->heard->once($this->heard->times === [], $this->text->since($begin));
        $this->heard->times = $times;

        return true;
    }

    public function partOfDay(): bool
    {
        $m = $this->text->eat('(?:in\s+the\s+)?(morning|afternoon|evening)s?\b');
        if ($m === null) {
            return false;
        }
        if ($this->heard->times !== []) {
            throw NotUnderstood::of($m[0], 'part_of_day_late');
        }
        $this->heard->once($this->heard->partOfDay === null, $m[0]);
        $this->heard->partOfDay = strtolower($m[1]);

        return true;
    }
}
