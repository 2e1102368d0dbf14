<?php

declare(strict_types=1);

namespace Syndex\Core\Sentence\English;

use Syndex\Core\Sentence\Cursor;
use Syndex\Core\Sentence\Heard;
use Syndex\Core\Sentence\NotUnderstood;

/** On which weekdays: "every Tuesday and Thursday", "the last working day", "mon-fri". */
final readonly class Weekdays
{
    public function __construct(private Cursor $text, private Heard $heard) {}

    /** "every other Tuesday", "every second Tuesday and Thursday" */
    public function everyOtherDay(): bool
    {
        $m = $this->text->eat('(?:every|each)\s+(other|second|2nd)\s+(' . EnglishPatterns::DAYS . ')');
        if ($m === null) {
            return false;
        }
        $days = EnglishNumbers::weekdays($m[2]);
        if (strtolower($m[1]) === 'other') {
            $this->heard->hearUnit('week', 2, $m[0]);
            $this->heard->hearDays($days, true, $m[0]);

            return true;
        }
        $this->heard->isEverySecond = true;
        $this->heard->hearNumbered([2], $days, $m[0]);

        return true;
    }

    public function everyWorkingDay(): bool
    {
        if ($this->text->eat('(?:every|each)\s+' . EnglishPatterns::WORKING_DAY) !== null) {
            $this->heard->hearDays([0, 1, 2, 3, 4], true, 'every working day');

            return true;
        }
        if ($this->text->eat('(?:every|each)\s+weekend\b(?!\s+day)') === null) {
            return false;
        }
        $this->heard->hearDays([5, 6], true, 'every weekend');

        return true;
    }

    public function everyDays(): bool
    {
        if ($this->text->eat('(?:every|each)\s+') === null) {
            return false;
        }
        if ($this->numberedDay() || $this->position() || $this->dayRange()) {
            return true;
        }
        $m = $this->text->eat('(' . EnglishPatterns::DAYS . ')');
        if ($m === null) {
            return false;
        }
        $this->heard->hearDays(EnglishNumbers::weekdays($m[1]), true, $m[0]);

        return true;
    }

    /** "Monday to Friday", "mon-fri" */
    public function dayRange(): bool
    {
        $m = $this->text->eat('(?:from\s+)?(' . EnglishPatterns::DAY . ')\s*(?:-|–|to\b|through\b)\s*(' . EnglishPatterns::DAY . ')');
        if ($m === null) {
            return false;
        }
        $days = [];
        for ($day = EnglishNumbers::weekday($m[1]); $day !== EnglishNumbers::weekday($m[2]); $day = ($day + 1) % 7) {
            $days[] = $day;
        }
        $this->heard->hearDays([...$days, EnglishNumbers::weekday($m[2])], true, $m[0]);

        return true;
    }

    public function workingDays(): bool
    {
        if ($this->text->eat('(?:working|business)\s+days\b|work\s?days\b|week\s?days\b') !== null) {
            $this->heard->hearDays([0, 1, 2, 3, 4], true, 'weekdays');

            return true;
        }
        if ($this->text->eat('weekends\b') === null) {
            return false;
        }
        $this->heard->hearDays([5, 6], true, 'weekends');

        return true;
    }

    public function days(): bool
    {
        $m = $this->text->eat('(' . EnglishPatterns::DAYS . ')');
        if ($m === null) {
            return false;
        }
        $this->heard->hearDays(EnglishNumbers::weekdays($m[1]), preg_match('/days\b/i', $m[1]) === 1, $m[0]);

        return true;
    }

    /** "the last working day", "the first weekend day", "the third Tuesday, Wednesday or Thursday" */
    public function position(): bool
    {
        $m = $this->text->eat('(?:the\s+)?(' . EnglishPatterns::WHICHES . ')\s+(?:(' . EnglishPatterns::WORKING_DAY . ')|(weekend\s+days?)\b|(' . EnglishPatterns::DAYS . '\s*(?:,\s*)?or\s+' . EnglishPatterns::DAY . '))');
        if ($m === null) {
            return false;
        }
        $this->heard->once($this->heard->positions === [], $m[0]);
        $this->heard->positions = EnglishNumbers::sorted(EnglishNumbers::whiches($m[1]));
        $this->heard->positionDays = match (true) {
            $m[2] !== '' => [0, 1, 2, 3, 4],
            $m[3] !== '' => [5, 6],
            default => EnglishNumbers::weekdays($m[4]),
        };

        return true;
    }

    /** "the first and third Monday" */
    public function numberedDay(): bool
    {
        $m = $this->text->eat('(?:the\s+)?(' . EnglishPatterns::WHICHES . ')\s+(' . EnglishPatterns::DAY . ')(?!' . EnglishPatterns::AND . EnglishPatterns::DAY . ')');
        if ($m === null) {
            return false;
        }
        $this->heard->hearNumbered(EnglishNumbers::whiches($m[1]), [EnglishNumbers::weekday($m[2])], $m[0]);

        return true;
    }

    /** "the last day", "the 100th day" */
    public function countedDay(): bool
    {
        $m = $this->text->eat('(?:the\s+)?(' . EnglishPatterns::WHICHES . ')\s+day\b');
        if ($m === null) {
            return false;
        }
        $days = EnglishNumbers::whiches($m[1]);
        if (max(0, ...array_map(abs(...), $days)) > 366) {
            throw NotUnderstood::of($m[0], 'no_such_day_of_year');
        }
        $this->heard->countedDays = EnglishNumbers::sorted([...$this->heard->countedDays, ...$days]);

        return true;
    }
}
