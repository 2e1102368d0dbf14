<?php

declare(strict_types=1);

namespace Syndex\Core\Sentence\English;

use Syndex\Core\Recurrence\Skip;
use Syndex\Core\Recurrence\WeekdayPick;
use Syndex\Core\Sentence\Heard;
use Syndex\Core\Sentence\HeardDate;
use Syndex\Core\Sentence\NotUnderstood;
use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\ZoneNames;

/**
 * Reads what a coordinator types about when and how often, in several wordings and orders.
 *
 * Each reader takes one piece of the text where it stands. What none of them takes is never passed over: the whole is then
 * refused with a quote, and so is whatever has several meanings ("biweekly", "3:30", "8/12").
 */
final class EnglishReader
{
    private const DAY = '(?:mon(?:days?)?|tue(?:s(?:days?)?)?|wed(?:s|nesdays?)?|thu(?:r(?:s(?:days?)?)?)?|fri(?:days?)?|sat(?:urdays?)?|sun(?:days?)?)\b';

    private const MONTH = '(?:jan(?:uary)?|feb(?:ruary)?|mar(?:ch)?|apr(?:il)?|may|june?|july?|aug(?:ust)?|sep(?:t(?:ember)?)?|oct(?:ober)?|nov(?:ember)?|dec(?:ember)?)\b\.?';

    private const NUMBER = '(?:\d{1,9}|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve)\b';

    private const ORDINAL = '(?:\d{1,3}(?:st|nd|rd|th)|first|second|third|fourth|fifth|sixth|seventh|eighth|ninth|tenth)\b';

    /** Ordinals that may count from the end. */
    private const WHICH = '(?:' . self::ORDINAL . '[\s-]to[\s-]last\b|last\b|' . self::ORDINAL . ')';

    private const AND = '\s*(?:,\s*(?:and\b)?|\band\b|&|\+|\/)\s*';

    private const WHICHES = self::WHICH . '(?:' . self::AND . '(?:the\s+)?' . self::WHICH . ')*';

    /** With "and", or one beside the other: "mon wed fri"; a weekday with its date begins something else. */
    private const DAYS = self::DAY . '(?:(?:' . self::AND . '|\s+(?!' . self::DAY . '\s*,?\s+(?:the\s+)?(?:\d{1,2}(?:st|nd|rd|th|\.)?\s+(?:of\s+)?' . self::MONTH . '|' . self::MONTH . '|\d{4}-)))' . self::DAY . ')*';

    private const MONTHS = self::MONTH . '(?:' . self::AND . self::MONTH . ')*';

    private const WORKING_DAY = '(?:working\s+day|business\s+day|work\s?day|week\s?day)s?\b';

    private const CLOCK = '(\d{1,2})(?:[:.h](\d{2}))?(?![\d:])(?:\s*(am\b|pm\b|a\.m\.|p\.m\.))?';

    private const FILLER = '(?:please|plan|schedule|let[\'’]?s|we|meet|meetings?|calls?|sessions?|series|repeats|repeating|on|the|an?|and)\b';

    private int $at = 0;

    private readonly Heard $heard;

    /** @var ?list<\Closure(): bool> */
    private ?array $readers = null;

    private function __construct(private readonly string $text, private readonly WallTime $today, private readonly ZoneNames $zones)
    {
        $this->heard = new Heard();
    }

    /** @throws NotUnderstood quoting what has no meaning, or several */
    public static function read(string $text, WallTime $today, ZoneNames $zones): Heard
    {
        if (!mb_check_encoding($text, 'UTF-8') || mb_strlen($text) > 2000) {
            throw NotUnderstood::words(mb_scrub(substr($text, 0, 80)), 'it is longer than a sentence about times can be');
        }

        // A full stop ends the sentence, or one of several after a year; "10.30" and "p.m." keep theirs.
        $text = (string) preg_replace(['/(?<=[\w)])(?<!\.[ap]m|[ap]\.m)\.(?=\s*\z)/iu', '/(?<=\b\d{4})\.(?=\s)/u'], '', $text);

        return (new self($text, $today, $zones))->all();
    }

    private function all(): Heard
    {
        $idle = null;
        while (true) {
            $this->eat('(?:[\s,;!–—-]|\.(?=\s|\z))+');
            if ($this->at >= strlen($this->text)) {
                break;
            }
            $begin = $this->at;
            if ($this->one()) {
                $this->heard->pieces[] = trim(substr($this->text, $begin, $this->at - $begin), " \t\n,;");
                $idle = null;
            } elseif (($filler = $this->eat(self::FILLER)) !== null) {
                $idle = $filler[0];
            } else {
                $word = $this->eat('\S+(?:\s+\S+)?') ?? [''];

                throw NotUnderstood::words($word[0], 'it means nothing here');
            }
        }
        if ($this->heard->pieces === []) {
            throw NotUnderstood::words($this->text, 'it says neither when nor how often');
        }
        if ($idle !== null && preg_match('/\A(?:on|the|an?|and)\z/i', $idle) === 1) {
            throw NotUnderstood::words($idle, 'something is missing after it');
        }

        return $this->heard;
    }

    /**
     * In the order in which they are tried: the longer wordings before those that begin like them.
     *
     * @return list<\Closure(): bool>
     */
    private function readers(): array
    {
        return [
            $this->noEnd(...), $this->taken(...), $this->added(...), $this->weekStart(...), $this->skip(...), $this->everyDate(...),
            $this->everyOtherDay(...), $this->everyWorkingDay(...), $this->everyUnit(...), $this->everyDays(...), $this->adverb(...),
            $this->ofUnit(...), $this->ofWeek(...), $this->daysOfMonths(...), $this->position(...), $this->numberedDay(...), $this->countedDay(...),
            $this->dayRange(...), $this->monthDayRange(...), $this->start(...), $this->ending(...), $this->count(...), $this->allDay(...),
            $this->span(...), $this->clockRange(...), $this->halfHours(...), $this->lengthInDays(...), $this->date(...), $this->atTime(...),
            $this->length(...), $this->time(...), $this->months(...), $this->monthDays(...), $this->workingDays(...), $this->days(...),
            $this->partOfDay(...), $this->zone(...),
        ];
    }

    private function one(): bool
    {
        $begin = $this->at;
        foreach ($this->readers ??= $this->readers() as $reader) {
            if ($reader()) {
                return true;
            }
            $this->at = $begin;
        }

        return false;
    }

    /** @return ?array<int|string, string> what stands here, taken; null if it is not there */
    private function eat(string $pattern): ?array
    {
        if (preg_match('/\G(?:' . $pattern . ')/iu', $this->text, $m, PREG_UNMATCHED_AS_NULL, $this->at) !== 1) {
            return null;
        }
        $this->at += strlen((string) $m[0]);

        return array_map(static fn(?string $part): string => $part ?? '', $m);
    }

    private function noEnd(): bool
    {
        if ($this->eat('(?:(?:with\s+)?no\s+end|without\s+(?:an\s+)?end|open[\s-]end(?:ed)?|forever|indefinitely)\b') === null) {
            return false;
        }
        $this->heard->isOpen = true;

        return true;
    }

    private function taken(): bool
    {
        if ($this->eat('(?:but\s+)?(?:except(?:ing)?(?:\s+for)?|excluding|without|not|skipping|apart\s+from)(?:\s+on)?\s+') === null) {
            return false;
        }
        $this->heard->dropped = [...$this->heard->dropped, ...$this->dates()];

        return true;
    }

    private function added(): bool
    {
        if ($this->eat('(?:and\s+)?(?:also|plus|additionally)(?:\s+on)?\s+') === null) {
            return false;
        }
        $this->heard->extra = [...$this->heard->extra, ...$this->dates()];

        return true;
    }

    private function weekStart(): bool
    {
        $m = $this->eat('weeks?\s+(?:starting|beginning)\s+on\s+(' . self::DAY . ')');
        if ($m === null) {
            return false;
        }
        $this->heard->weekStart = self::weekday($m[1]);

        return true;
    }

    private function skip(): bool
    {
        $m = $this->eat('moved\s+(back|forward)\s+where\s+there\s+is\s+no\s+such\s+day\b');
        if ($m === null) {
            return false;
        }
        $this->heard->skip = strtolower($m[1]) === 'back' ? Skip::Backward : Skip::Forward;

        return true;
    }

    /** "every 8 December", "every 8th of the month" */
    private function everyDate(): bool
    {
        if ($this->eat('(?:every|each)\s+(?:the\s+)?') === null) {
            return false;
        }
        $begin = $this->at;
        $m = $this->eat('(' . self::WHICHES . ')(?=\s+of\s+(?:the|every|each)\s+month\b)');
        if ($m !== null) {
            $this->hearMonthDays(self::whiches($m[1]));

            return true;
        }
        $this->at = $begin;
        if ($this->eat('(?=\d{1,2}(?:st|nd|rd|th)?(?:\s+of)?\s+' . self::MONTH . ')|(?=' . self::MONTH . '\s+\d)') === null) {
            return false;
        }
        $date = $this->dateHere();
        if ($date === null || $date->year !== null) {
            return false;
        }
        $this->once($this->heard->date === null, $date->quote);
        $this->heard->date = $date;
        $this->heard->isYearlyDate = true;

        return true;
    }

    /** "every other Tuesday", "every second Tuesday and Thursday" */
    private function everyOtherDay(): bool
    {
        $m = $this->eat('(?:every|each)\s+(other|second|2nd)\s+(' . self::DAYS . ')');
        if ($m === null) {
            return false;
        }
        $days = self::weekdays($m[2]);
        if (strtolower($m[1]) === 'other') {
            $this->hearUnit('week', 2, $m[0]);
            $this->hearDays($days, true, $m[0]);

            return true;
        }
        $this->heard->isEverySecond = true;
        $this->hearNumbered([2], $days);

        return true;
    }

    private function everyWorkingDay(): bool
    {
        if ($this->eat('(?:every|each)\s+' . self::WORKING_DAY) !== null) {
            $this->hearDays([0, 1, 2, 3, 4], true, 'every working day');

            return true;
        }
        if ($this->eat('(?:every|each)\s+weekend\b(?!\s+day)') === null) {
            return false;
        }
        $this->hearDays([5, 6], true, 'every weekend');

        return true;
    }

    private function everyUnit(): bool
    {
        $m = $this->eat('(?:every|each|once\s+(?:a|an|per|every))\s+(?:(other|' . self::NUMBER . '|' . self::ORDINAL . ')\s+)?(?:(day|week|month|year|hour|minute|quarter|fortnight)s?|(seconds))\b');
        if ($m === null) {
            return false;
        }
        $this->hearUnit(strtolower($m[2] !== '' ? $m[2] : 'second'), $m[1] === '' ? 1 : self::number($m[1]), $m[0]);

        return true;
    }

    private function everyDays(): bool
    {
        if ($this->eat('(?:every|each)\s+') === null) {
            return false;
        }
        if ($this->numberedDay() || $this->position() || $this->dayRange()) {
            return true;
        }
        $m = $this->eat('(' . self::DAYS . ')');
        if ($m === null) {
            return false;
        }
        $this->hearDays(self::weekdays($m[1]), true, $m[0]);

        return true;
    }

    private function adverb(): bool
    {
        $m = $this->eat('(hourly|daily|weekly|fortnightly|monthly|quarterly|yearly|annually)\b');
        if ($m === null) {
            if (($m = $this->eat('bi[\s-]?(?:weekly|monthly|yearly|annual(?:ly)?)\b')) !== null) {
                throw NotUnderstood::words($m[0], 'it may mean twice in one or once in two; say "every second week" or the like');
            }

            return false;
        }
        $this->hearUnit(match (strtolower($m[1])) {
            'hourly' => 'hour', 'daily' => 'day', 'weekly' => 'week', 'fortnightly' => 'fortnight', 'monthly' => 'month', 'quarterly' => 'quarter', default => 'year',
        }, 1, $m[0]);

        return true;
    }

    /** "of every second month", "of the year" */
    private function ofUnit(): bool
    {
        $m = $this->eat('(?:of|in)\s+(?:every|each|the)\s+(?:(other|' . self::NUMBER . '|' . self::ORDINAL . ')\s+)?(month|year)s?\b');
        if ($m === null) {
            return false;
        }
        $interval = $m[1] === '' ? 1 : self::number($m[1]);
        if ($this->heard->unit !== strtolower($m[2]) || $interval !== 1) {
            $this->hearUnit(strtolower($m[2]), $interval, $m[0]);
        }
        $this->heard->isOfUnit = true;

        return true;
    }

    private function ofWeek(): bool
    {
        $m = $this->eat('(?:of|in)\s+weeks?\s+(\d{1,2}(?:' . self::AND . '\d{1,2})*)\b');
        if ($m === null) {
            return false;
        }
        $weeks = array_map(intval(...), (array) preg_split('/\D+/', $m[1]));
        if (min(1, ...$weeks) < 1 || max(53, ...$weeks) > 53) {
            throw NotUnderstood::words($m[0], 'the weeks of a year are 1 to 53');
        }
        $this->heard->weeks = self::sorted($weeks);

        return true;
    }

    /** "the 1st and 15th of January and July"; one day of one month is a date. */
    private function daysOfMonths(): bool
    {
        $m = $this->eat('(?:the\s+)?(' . self::WHICHES . ')\s+of\s+(' . self::MONTHS . ')');
        if ($m === null) {
            return false;
        }
        $days = self::whiches($m[1]);
        $months = self::monthNumbers($m[2]);
        if (count($days) * count($months) === 1) {
            return false;
        }
        $this->hearMonthDays($days);
        $this->hearMonths($months);

        return true;
    }

    /** "the last working day", "the first weekend day", "the third Tuesday, Wednesday or Thursday" */
    private function position(): bool
    {
        $m = $this->eat('(?:the\s+)?(' . self::WHICHES . ')\s+(?:(' . self::WORKING_DAY . ')|(weekend\s+days?)\b|(' . self::DAYS . '\s*(?:,\s*)?or\s+' . self::DAY . '))');
        if ($m === null) {
            return false;
        }
        $this->once($this->heard->positions === [], $m[0]);
        $this->heard->positions = self::sorted(self::whiches($m[1]));
        $this->heard->positionDays = match (true) {
            $m[2] !== '' => [0, 1, 2, 3, 4],
            $m[3] !== '' => [5, 6],
            default => self::weekdays($m[4]),
        };

        return true;
    }

    /** "the first and third Monday" */
    private function numberedDay(): bool
    {
        $m = $this->eat('(?:the\s+)?(' . self::WHICHES . ')\s+(' . self::DAY . ')(?!' . self::AND . self::DAY . ')');
        if ($m === null) {
            return false;
        }
        $this->hearNumbered(self::whiches($m[1]), [self::weekday($m[2])]);

        return true;
    }

    /** "the last day", "the 100th day" */
    private function countedDay(): bool
    {
        $m = $this->eat('(?:the\s+)?(' . self::WHICHES . ')\s+day\b');
        if ($m === null) {
            return false;
        }
        $days = self::whiches($m[1]);
        if (max(0, ...array_map(abs(...), $days)) > 366) {
            throw NotUnderstood::words($m[0], 'no year has so many days');
        }
        $this->heard->countedDays = self::sorted([...$this->heard->countedDays, ...$days]);

        return true;
    }

    /** "Monday to Friday", "mon-fri" */
    private function dayRange(): bool
    {
        $m = $this->eat('(?:from\s+)?(' . self::DAY . ')\s*(?:-|–|to\b|through\b)\s*(' . self::DAY . ')');
        if ($m === null) {
            return false;
        }
        $days = [];
        for ($day = self::weekday($m[1]); $day !== self::weekday($m[2]); $day = ($day + 1) % 7) {
            $days[] = $day;
        }
        $this->hearDays([...$days, self::weekday($m[2])], true, $m[0]);

        return true;
    }

    /** "from the 7th to the 13th", "that falls on the 13th or 14th", "the 13th" after a weekday */
    private function monthDayRange(): bool
    {
        $m = $this->eat('from\s+the\s+(\d{1,2})(?:st|nd|rd|th)\s+to\s+the\s+(\d{1,2})(?:st|nd|rd|th)\b');
        if ($m !== null) {
            if ((int) $m[1] >= (int) $m[2]) {
                throw NotUnderstood::words($m[0], 'it ends before it begins');
            }
            $this->hearMonthDays(range((int) $m[1], (int) $m[2]));

            return true;
        }
        $m = $this->eat('(?:that\s+)?(?:falls?|falling)\s+on\s+the\s+(' . self::WHICHES . '(?:\s*,?\s*or\s+(?:the\s+)?' . self::WHICH . ')?)');
        if ($m === null) {
            return false;
        }
        $this->hearMonthDays(self::whiches((string) preg_replace('/\bor\b/i', ',', $m[1])));

        return true;
    }

    private function start(): bool
    {
        $m = $this->eat('(?:(?:from|starting|starts?|beginning|begins?|commencing|as\s+of|since)(?:\s+(?:on|from|in|with))?|(?:the\s+)?first\s+(?:one\s+)?on)\s+');
        if ($m === null) {
            return false;
        }
        $begin = $this->at;
        $range = $this->eat('(?:the\s+)?(\d{1,2})(?:st|nd|rd|th)?\s*(?:to\b|-|–|until\b|till\b|through\b)\s*');
        $end = $range === null ? null : $this->dateHere();
        if ($range !== null && $end !== null) {
            $this->hearStart(new HeardDate($m[0] . $range[0] . $end->quote, $end->year, $end->month, (int) $range[1]));
            $this->hearUntil($end);

            return true;
        }
        $this->at = $begin;
        $date = $this->dateHere() ?? $this->monthHere();
        if ($date === null) {
            return false;
        }
        $this->hearStart($date->at($this->timeAfterDate()));
        if ($this->eat('\s*(?:to\b|-|–)\s*') !== null) {
            $end = $this->dateHere() ?? throw NotUnderstood::words($this->rest(), 'a date should follow');
            $this->hearUntil($end);
        }

        return true;
    }

    private function ending(): bool
    {
        $m = $this->eat('(?:until|till|til|through|up\s+to|ending(?:\s+on)?|ends(?:\s+on)?)\s+(the\s+end\s+of\s+)?');
        if ($m === null) {
            return false;
        }
        if ($m[1] !== '') {
            $month = $this->monthHere() ?? throw NotUnderstood::words($this->rest(), 'a month should follow');
            $this->heard->isUntilEndOfMonth = true;
            $this->hearUntil($month);

            return true;
        }
        $date = $this->dateHere() ?? throw NotUnderstood::words($m[0] . $this->rest(), 'a date should follow, like "until 24 December" or "until the end of March"');
        $this->hearUntil($date->at($this->timeAfterDate()));

        return true;
    }

    private function count(): bool
    {
        $m = $this->eat('(?:(' . self::NUMBER . '|\d{1,9})\s*(?:times\b|x(?!\w)|×|occurrences?\b|meetings\b|dates\b|sessions\b|appointments\b)(?:\s+in\s+all)?|[x×]\s?(\d{1,9})\b|(?:a\s+)?series\s+of\s+(' . self::NUMBER . '))')
            ?? $this->eat('(?:(\d{1,9})x)(?!\w)');
        if ($m !== null) {
            $count = self::number($m[1] . ($m[2] ?? '') . ($m[3] ?? ''));
            $this->once($this->heard->count === null, $m[0]);
            $this->heard->count = $count > 0 ? $count : throw NotUnderstood::words($m[0], 'a series has one date at least');

            return true;
        }
        if ($this->eat('once\b') === null) {
            return false;
        }
        $this->heard->isOnce = true;

        return true;
    }

    private function allDay(): bool
    {
        if ($this->eat('all[\s-]day\b') === null) {
            return false;
        }
        $this->heard->isAllDay = true;

        return true;
    }

    /** "for ten weeks" */
    private function span(): bool
    {
        $m = $this->eat('for\s+(?:the\s+(?:next|first)\s+)?(' . self::NUMBER . ')\s+(week|month|year)s?\b');
        if ($m === null) {
            return false;
        }
        $this->once($this->heard->span === null, $m[0]);
        $this->heard->span = [self::number($m[1]), strtolower($m[2])];
        if (self::number($m[1]) < 1 || self::number($m[1]) > 1000) {
            throw NotUnderstood::words($m[0], 'that is no length of time for a series');
        }

        return true;
    }

    /** "15:30-16:15", "from 9 to 10", "between 15:30 and 16:15", "2-3:30pm" */
    private function clockRange(): bool
    {
        $m = $this->eat('(?:(at|from|between)\s+)?' . self::CLOCK . '\s*(?:-|–|—|to\b|until\b|till\b|and\b)\s*' . self::CLOCK . '(?!(?:st|nd|rd|th)?(?:\s+of)?\s+' . self::MONTH . '|[\w.-]*\d)' . $this->partPattern());
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
            $end = $this->clock($h2, $m2, $p2, $part, $quote);
            $same = $this->clock($h1, $m1, $p2, $part, $quote);
            $p1 = $same < $end ? $p2 : (str_starts_with(strtolower($p2), 'p') ? 'am' : 'pm');
        }
        $from = $this->clock($h1, $m1, $p1, $part, $quote);
        $to = $this->clock($h2, $m2, $p2, $part, $quote);
        if ($from === $to) {
            throw NotUnderstood::words($quote, 'it ends when it begins');
        }
        $this->once($this->heard->times === [], $quote);
        $this->heard->times = [$from];
        $this->hearMinutes(intdiv(($to - $from + 86400) % 86400, 60), $quote);

        return true;
    }

    /** Lengths told in halves and quarters of an hour. */
    private function halfHours(): bool
    {
        foreach (['an\s+hour\s+and\s+a\s+half' => 90, 'an\s+hour\s+and\s+a\s+quarter' => 75, 'half\s+an\s+hour' => 30, '(?:a\s+)?half[\s-]hour' => 30, 'three[\s-]quarters\s+of\s+an\s+hour' => 45, '(?:a\s+)?quarter\s+of\s+an\s+hour' => 15, 'an\s+hour' => 60] as $words => $minutes) {
            $m = $this->eat('(?:for\s+|lasting\s+)?' . $words . '\b');
            if ($m !== null) {
                $this->hearMinutes($minutes, $m[0]);

                return true;
            }
        }

        return false;
    }

    private function lengthInDays(): bool
    {
        $m = $this->eat('(?:for\s+)?(' . self::NUMBER . ')\s+days\b');
        if ($m === null) {
            return false;
        }
        $this->once($this->heard->lengthInDays === null, $m[0]);
        $days = self::number($m[1]);
        $this->heard->lengthInDays = $days >= 1 && $days <= 366 ? $days : throw NotUnderstood::words($m[0], 'that is no length');

        return true;
    }

    private function date(): bool
    {
        $date = $this->dateHere();
        if ($date === null) {
            return false;
        }
        $this->once($this->heard->date === null, $date->quote);
        $this->heard->date = $date;

        return true;
    }

    private function atTime(): bool
    {
        return preg_match('/\G(?:at\b|@)/iu', $this->text, $m, 0, $this->at) === 1 && $this->time();
    }

    private function length(): bool
    {
        $m = $this->eat('(?:for\s+|lasting\s+)?(?:(\d{1,4})[.,](\d{1,2})|(' . self::NUMBER . '|\d{1,5}))[\s-]*(?:hours?|hrs?|h)(?:\s*(?:and\s+)?(\d{1,2})[\s-]*(?:minutes?|mins?|m)?)?(?![\w])');
        if ($m !== null) {
            $hours = $m[3] === '' ? (float) "$m[1].$m[2]" : self::number($m[3]);
            $minutes = $hours * 60 + (int) $m[4];
            if ($m[3] !== '' && $this->heard->times === [] && preg_match('/\A\d+h/i', $m[0]) === 1 && (int) $m[3] >= 7) {
                return false;
            }
            if ($minutes !== floor($minutes) && is_float($minutes)) {
                throw NotUnderstood::words($m[0], 'that is no whole number of minutes');
            }
            $this->hearMinutes((int) $minutes, $m[0]);

            return true;
        }
        $m = $this->eat('(?:for\s+|lasting\s+)?(' . self::NUMBER . '|\d{1,6})[\s-]*(?:minutes?|mins?|m|\'|’|′)(?![\w])');
        if ($m === null) {
            return false;
        }
        $this->hearMinutes(self::number($m[1]), $m[0]);

        return true;
    }

    private function time(): bool
    {
        $begin = $joint = $this->at;
        $times = [];
        do {
            $from = $this->at;
            $time = $this->timeHere();
            if ($time === null) {
                $this->at = $from;
                if ($times === []) {
                    return false;
                }
                $this->at = $joint;
                break;
            }
            $times[] = $time;
            $joint = $this->at;
        } while ($this->eat('\s*(?:,|\band\b|&|\+)\s*') !== null);
        $this->at = $joint;
        $this->once($this->heard->times === [], substr($this->text, $begin, $this->at - $begin));
        $this->heard->times = $times;

        return true;
    }

    private function months(): bool
    {
        $m = $this->eat('(?:only\s+)?(?:in|of|during)\s+(' . self::MONTHS . ')(?:\s+only\b)?');
        if ($m === null) {
            return false;
        }
        $this->hearMonths(self::monthNumbers($m[1]));

        return true;
    }

    private function monthDays(): bool
    {
        $m = $this->eat('(?:the\s+)?(\d{1,2}(?:st|nd|rd|th)(?:' . self::AND . '(?:the\s+)?' . self::WHICH . ')*)(?!\s+(?:of\s+)?' . self::MONTH . ')');
        if ($m === null) {
            return false;
        }
        $this->hearMonthDays(self::whiches($m[1]));

        return true;
    }

    private function workingDays(): bool
    {
        if ($this->eat('(?:working|business)\s+days\b|work\s?days\b|week\s?days\b') !== null) {
            $this->hearDays([0, 1, 2, 3, 4], true, 'weekdays');

            return true;
        }
        if ($this->eat('weekends\b') === null) {
            return false;
        }
        $this->hearDays([5, 6], true, 'weekends');

        return true;
    }

    private function days(): bool
    {
        $m = $this->eat('(' . self::DAYS . ')');
        if ($m === null) {
            return false;
        }
        $this->hearDays(self::weekdays($m[1]), preg_match('/days\b/i', $m[1]) === 1, $m[0]);

        return true;
    }

    private function partOfDay(): bool
    {
        $m = $this->eat('(?:in\s+the\s+)?(morning|afternoon|evening)s?\b');
        if ($m === null) {
            return false;
        }
        if ($this->heard->times !== []) {
            throw NotUnderstood::words($m[0], 'it should stand before the time of day, or right after it');
        }
        $this->once($this->heard->partOfDay === null, $m[0]);
        $this->heard->partOfDay = strtolower($m[1]);

        return true;
    }

    private function zone(): bool
    {
        if ($this->eat('floating\s+time\b') !== null) {
            $this->once($this->heard->zone === null && !$this->heard->isFloating, 'floating time');
            $this->heard->isFloating = true;

            return true;
        }
        $m = $this->eat('in\s+time\s+zone\s+([\w\/+-]+)');
        if ($m !== null) {
            $this->hearZone($m[1], $m[0]);

            return true;
        }
        $this->eat('in\s+|\(');
        $words = '[\p{L}][\p{L}\p{M}\d.\'’_\/+-]*';
        for ($count = 4; $count >= 1; $count--) {
            $begin = $this->at;
            $m = $this->eat('(' . $words . '(?:[ ]+' . $words . '){' . ($count - 1) . '})(\s+time\b)?');
            $zone = $m === null ? null : ($this->zones->find(rtrim($m[1], '.')) ?? self::ofOffset($m[1]));
            if ($m !== null && $zone !== null && ($m[2] !== '' || !self::isEverydayWord($m[1]))) {
                $this->eat('\s*\)');
                $this->hearZone($zone, $m[0]);

                return true;
            }
            $this->at = $begin;
        }

        return false;
    }

    /** Cities and islands whose names mean other things: they are zones only with "time" behind them. */
    private static function isEverydayWord(string $word): bool
    {
        return preg_match('/\A(?:easter|christmas|center|central|eastern|mountain|pacific|general|north|south|east|west|wake|midway|resolute|troll|turkey|samoa|yukon|act|acre)\z/i', $word) === 1;
    }

    /** "UTC+3" */
    private static function ofOffset(string $word): ?string
    {
        return preg_match('/\A(?:UTC|GMT)([+-])(\d{1,2})\z/i', $word, $m) === 1 && (int) $m[2] >= 1 && (int) $m[2] <= 12 ? 'Etc/GMT' . ($m[1] === '+' ? '-' : '+') . (int) $m[2] : null;
    }

    /** @return list<HeardDate> */
    private function dates(): array
    {
        $dates = [];
        do {
            $joint = $this->at;
            // "22 and 29 December": days that share the month after them
            $shared = [];
            while (($m = $this->eat('(?:the\s+)?(\d{1,2})(?:st|nd|rd|th)?\s*(?:,|and\b|&)\s*(?=(?:the\s+)?\d{1,2}(?:st|nd|rd|th)?(?:\s*(?:,|and\b|&)|\s+(?:of\s+)?' . self::MONTH . '))')) !== null) {
                $shared[] = (int) $m[1];
            }
            $date = $this->dateHere();
            if ($date === null) {
                if ($dates === [] || $shared !== []) {
                    throw NotUnderstood::words($this->rest(), 'a date should follow');
                }
                $this->at = $joint;
                break;
            }
            $time = $this->timeAfterDate();
            foreach ($shared as $day) {
                $dates[] = new HeardDate("$day " . $date->quote, $date->year, $date->month, $day, null, $time);
            }
            $dates[] = $date->at($time);
            $last = $this->at;
        } while ($this->eat('\s*(?:,\s*(?:and\b)?|\band\b|&|\+)\s*(?:on\s+)?') !== null);
        $this->at = $last;

        return $dates;
    }

    private function dateHere(): ?HeardDate
    {
        $begin = $this->at;
        $weekday = $this->eat('(' . self::DAY . ')\s*,?\s+(?=(?:the\s+)?\d|' . self::MONTH . ')');
        if ($this->eat('the\s+day\s+after\s+tomorrow\b') !== null) {
            return $this->daysAhead(2, $begin);
        }
        if (($m = $this->eat('(today|tomorrow)\b')) !== null) {
            return $this->daysAhead(strtolower($m[1]) === 'today' ? 0 : 1, $begin);
        }
        $year = '(?:\s*,?\s+(\d{4})(?![\d:.h]))?';
        $m = $this->eat('(\d{4})-(\d{2})-(\d{2})(?!\d)');
        $parts = $m === null ? null : [$m[1], (int) $m[2], $m[3]];
        if ($parts === null && ($m = $this->eat('(\d{1,2})\.(\d{1,2})\.(\d{4})(?!\d)')) !== null) {
            $parts = [$m[3], (int) $m[2], $m[1]];
        }
        if ($parts === null && ($m = $this->eat('(?:the\s+)?(\d{1,2})(?:st|nd|rd|th)?(?:\s+of)?\s+(' . self::MONTH . ')' . $year)) !== null) {
            $parts = [$m[3], self::month($m[2]), $m[1]];
        }
        if ($parts === null && ($m = $this->eat('(' . self::MONTH . ')\s+(?:the\s+)?(\d{1,2})(?:st|nd|rd|th)?(?![\d:.h]\d|\s*[ap]\.?m\b|\d)' . $year)) !== null) {
            $parts = [$m[3], self::month($m[1]), $m[2]];
        }
        if ($parts === null && ($m = $this->eat('(\d{1,2})\/(\d{1,2})(?:\/(\d{2,4}))?(?!\d)')) !== null) {
            throw NotUnderstood::words($m[0], 'it may be a day and a month or a month and a day; write the month as a word');
        }
        $quote = substr($this->text, $begin, $this->at - $begin);
        if ($parts === null) {
            $this->at = $begin;

            return null;
        }
        [$y, $month, $day] = [$parts[0] === '' ? null : (int) $parts[0], $parts[1], (int) $parts[2]];
        $most = $month < 1 || $month > 12 ? 0 : Gregorian::daysInMonth($y ?? 2000, $month);
        if ($day < 1 || $day > $most || $y === 0) {
            throw NotUnderstood::words($quote, 'there is no such date');
        }

        return new HeardDate($quote, $y, $month, $day, $weekday === null ? null : self::weekday($weekday[1]));
    }

    private function daysAhead(int $days, int $begin): HeardDate
    {
        [$year, $month, $day] = Gregorian::civil($this->today->dayNumber() + $days);

        return new HeardDate(substr($this->text, $begin, $this->at - $begin), $year, $month, $day);
    }

    private function monthHere(): ?HeardDate
    {
        $m = $this->eat('(' . self::MONTH . ')(?:\s+(\d{4})(?![\d:.h]))?(?!\s+\d{1,2}(?:st|nd|rd|th)\b)');

        return $m === null ? null : new HeardDate($m[0], ($m[2] ?? '') === '' ? null : (int) $m[2], self::month($m[1]), null);
    }

    private function timeAfterDate(): ?int
    {
        $begin = $this->at;
        $this->eat('\s*,?\s*');
        $time = preg_match('/\G(?:at\b|@)/iu', $this->text, $m, 0, $this->at) === 1 ? $this->timeHere() : null;
        if ($time === null) {
            $this->at = $begin;
        }

        return $time;
    }

    /** @return ?int second of the day */
    private function timeHere(): ?int
    {
        $begin = $this->at;
        $isAt = $this->eat('(?:at\b|@)\s*') !== null;
        if ($this->eat('(?:noon|midday)\b') !== null) {
            return 43200;
        }
        if (($m = $this->eat('midnight\b|half\s+(?!past\b|an?\b|hour)' . self::NUMBER)) !== null) {
            throw NotUnderstood::words($m[0], 'people mean different times by it; write it in figures, like 00:00');
        }
        $m = $this->eat('(quarter\s+past|quarter\s+to|half\s+past)\s+(' . self::NUMBER . ')(?:\s*(am\b|pm\b))?' . $this->partPattern());
        if ($m !== null) {
            $time = $this->clock((string) self::number($m[2]), '', $m[3], $m[4], $m[0]) + match (strtolower($m[1][0] . substr($m[1], -1))) {
                'ht' => 1800, 'qt' => 900, default => -900,
            };

            return ($time + 86400) % 86400;
        }
        $m = $this->eat('(\d{1,2}):(\d{2})(?::(\d{2}))?(?![\d:])(?:\s*(am\b|pm\b|a\.m\.|p\.m\.))?(?:\s*(?:hrs?|h|o[\'’]clock)\b)?' . $this->partPattern())
            ?? $this->eat('(\d{1,2})[.h](\d{2})()(?![\d.])(?:\s*(am\b|pm\b|a\.m\.|p\.m\.))?(?:\s*(?:hrs?|h)\b)?' . $this->partPattern())
            ?? $this->eat('(\d{1,2})()()\s*(am\b|pm\b|a\.m\.|p\.m\.)' . $this->partPattern())
            ?? ($isAt ? $this->eat('(\d{2})(\d{2})()(?![\d:.])()(?:\s*(?:hrs?|h)\b)?' . $this->partPattern()) : null)
            ?? $this->eat('(\d{1,2})()()()h\b' . $this->partPattern());
        if ($m !== null) {
            return $this->clock($m[1], $m[2], $m[4], $m[5], substr($this->text, $begin, $this->at - $begin), $m[3]);
        }
        $m = $isAt ? $this->eat('(' . self::NUMBER . ')(?![:.\d])(?:\s*o[\'’]clock\b)?' . $this->partPattern()) : null;
        if ($m === null) {
            $this->at = $begin;

            return null;
        }

        return $this->clock((string) self::number($m[1]), '', '', $m[2], substr($this->text, $begin, $this->at - $begin));
    }

    private function partPattern(): string
    {
        return '(?:\s+in\s+the\s+(morning|afternoon|evening)\b)?';
    }

    private function clock(string $hour, string $minute, string $half, string $part, string $quote, string $second = ''): int
    {
        [$h, $m, $s] = [(int) $hour, (int) $minute, (int) $second];
        $part = $part === '' ? $this->heard->partOfDay : strtolower($part);
        if ($h > 23 || $m > 59 || $s > 59 || ($half !== '' && ($h < 1 || $h > 12))) {
            throw NotUnderstood::words($quote, 'there is no such time of day');
        }
        if ($half !== '') {
            $h = $h % 12 + (strtolower($half[0]) === 'p' ? 12 : 0);
        } elseif ($part === 'afternoon' || $part === 'evening') {
            $h += $h < 12 ? 12 : 0;
        } elseif ($part === null && $h >= 1 && $h <= 6 && strlen($hour) === 1) {
            throw NotUnderstood::words($quote, sprintf('it may be %02d:%02d or %02d:%02d; write one of these', $h, $m, $h + 12, $m));
        }
        if (($part === 'morning' && $h >= 12) || ($part === 'afternoon' && ($h < 12 || $h > 18)) || ($part === 'evening' && $h < 17)) {
            throw NotUnderstood::words($quote, "that is not in the $part");
        }

        return $h * 3600 + $m * 60 + $s;
    }

    private function hearUnit(string $unit, int $interval, string $quote): void
    {
        $this->once($this->heard->unit === null, $quote);
        [$unit, $interval] = match ($unit) {
            'quarter' => ['month', 3 * $interval], 'fortnight' => ['week', 2 * $interval], default => [$unit, $interval],
        };
        $this->heard->unit = $unit;
        $this->heard->interval = $interval >= 1 ? $interval : throw NotUnderstood::words($quote, 'it never comes');
    }

    /** @param list<int> $days */
    private function hearDays(array $days, bool $repeat, string $quote): void
    {
        $this->once($this->heard->days === [], $quote);
        $this->heard->days = $days;
        $this->heard->daysRepeat = $repeat;
    }

    /**
     * @param  list<int>  $nths
     * @param  list<int>  $weekdays
     */
    private function hearNumbered(array $nths, array $weekdays): void
    {
        foreach ($weekdays as $weekday) {
            foreach ($nths as $nth) {
                if (abs($nth) > 53) {
                    throw NotUnderstood::words($this->text, 'no year has so many weeks');
                }
                $this->heard->numbered[] = WeekdayPick::nth($nth, $weekday);
            }
        }
    }

    /** @param list<int> $days */
    private function hearMonthDays(array $days): void
    {
        if (max(0, ...array_map(abs(...), $days)) > 31) {
            throw NotUnderstood::words($this->text, 'no month has so many days');
        }
        $this->heard->monthDays = self::sorted([...$this->heard->monthDays, ...$days]);
    }

    /** @param list<int> $months */
    private function hearMonths(array $months): void
    {
        $this->once($this->heard->months === [], EnglishWords::months($months));
        $this->heard->months = self::sorted($months);
    }

    private function hearStart(HeardDate $date): void
    {
        $this->once($this->heard->start === null, $date->quote);
        $this->heard->start = $date;
    }

    private function hearUntil(HeardDate $date): void
    {
        $this->once($this->heard->until === null, $date->quote);
        $this->heard->until = $date;
    }

    private function hearMinutes(int $minutes, string $quote): void
    {
        $this->once($this->heard->minutes === null, $quote);
        $this->heard->minutes = $minutes >= 1 ? $minutes : throw NotUnderstood::words($quote, 'a meeting lasts a minute at least');
    }

    private function hearZone(string $zone, string $quote): void
    {
        $this->once(($this->heard->zone === null || $this->heard->zone === $zone) && !$this->heard->isFloating, $quote);
        $this->heard->zone = $zone;
    }

    private function once(bool $isFirst, string $quote): void
    {
        if (!$isFirst) {
            throw NotUnderstood::words($quote, 'something else of its kind was said already');
        }
    }

    private function rest(): string
    {
        return substr($this->text, $this->at, 60) ?: 'the end';
    }

    private static function weekday(string $word): int
    {
        return (int) array_search(strtolower(substr($word, 0, 2)), ['mo', 'tu', 'we', 'th', 'fr', 'sa', 'su'], true);
    }

    /** @return list<int> */
    private static function weekdays(string $words): array
    {
        preg_match_all('/' . self::DAY . '/iu', $words, $m);

        return array_values(array_unique(array_map(self::weekday(...), $m[0])));
    }

    private static function month(string $word): int
    {
        return (int) array_search(strtolower(substr($word, 0, 3)), ['', 'jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'], true);
    }

    /** @return list<int> */
    private static function monthNumbers(string $words): array
    {
        preg_match_all('/' . self::MONTH . '/iu', $words, $m);

        return array_map(self::month(...), $m[0]);
    }

    /** @return list<int> "first and last": [1, -1] */
    private static function whiches(string $words): array
    {
        preg_match_all('/' . self::WHICH . '/iu', $words, $m);

        return array_map(static function (string $word): int {
            $nth = preg_match('/\Alast\z/i', $word) === 1 ? 1 : self::number((string) preg_replace('/[\s-]to[\s-]last\z/i', '', $word));

            return preg_match('/last\z/i', $word) === 1 ? -$nth : max(1, $nth);
        }, $m[0]);
    }

    /** A number or an ordinal, in figures or as a word. */
    private static function number(string $word): int
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
    private static function sorted(array $numbers): array
    {
        $numbers = array_values(array_unique($numbers));
        sort($numbers);

        return $numbers;
    }
}
