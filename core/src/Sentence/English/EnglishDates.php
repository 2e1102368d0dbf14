<?php

declare(strict_types=1);

namespace Syndex\Core\Sentence\English;

use Syndex\Core\Sentence\Cursor;
use Syndex\Core\Sentence\HeardDate;
use Syndex\Core\Sentence\NotUnderstood;
use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\WallTime;

/** Reads dates wherever one may stand. */
final readonly class EnglishDates
{
    public function __construct(private Cursor $text, private WallTime $today, private EnglishClock $clock) {}

    /** @return list<HeardDate> */
    public function dates(): array
    {
        $dates = [];
        do {
            $joint = $this->text->at;
            // "22 and 29 December": days that share the month after them
            $shared = [];
            while (($m = $this->text->eat('(?:the\s+)?(\d{1,2})(?:st|nd|rd|th)?\s*(?:,|and\b|&)\s*(?=(?:the\s+)?\d{1,2}(?:st|nd|rd|th)?(?:\s*(?:,|and\b|&)|\s+(?:of\s+)?' . EnglishPatterns::MONTH . '))')) !== null) {
                $shared[] = (int) $m[1];
            }
            $date = $this->dateHere();
            if ($date === null) {
                if ($dates === [] || $shared !== []) {
                    throw NotUnderstood::of($this->text->rest(), 'date_missing');
                }
                $this->text->at = $joint;
                break;
            }
            $time = $this->clock->timeAfterDate();
            foreach ($shared as $day) {
                $dates[] = new HeardDate("$day " . $date->quote, $date->year, $date->month, $day, null, $time);
            }
            $dates[] = $date->at($time);
            $last = $this->text->at;
        } while ($this->text->eat('\s*(?:,\s*(?:and\b)?|\band\b|&|\+)\s*(?:on\s+)?') !== null);
        $this->text->at = $last;

        return $dates;
    }

    public function dateHere(): ?HeardDate
    {
        $begin = $this->text->at;
        $relative = $this->relative($begin);
        if ($relative !== null) {
            return $relative;
        }
        $weekday = $this->text->eat('(' . EnglishPatterns::DAY . ')\s*,?\s+(?=(?:the\s+)?\d|' . EnglishPatterns::MONTH . ')');
        $year = '(?:\s*,?\s+(\d{4})(?![\d:.h]))?';
        $m = $this->text->eat('(\d{4})-(\d{2})-(\d{2})(?!\d)');
        $parts = $m === null ? null : [$m[1], (int) $m[2], $m[3]];
        if ($parts === null && ($m = $this->text->eat('(\d{1,2})\.(\d{1,2})\.(\d{4})(?!\d)')) !== null) {
            $parts = [$m[3], (int) $m[2], $m[1]];
        }
        if ($parts === null && ($m = $this->text->eat('(?:the\s+)?(\d{1,2})(?:st|nd|rd|th)?(?:\s+of)?\s+(' . EnglishPatterns::MONTH . ')' . $year)) !== null) {
            $parts = [$m[3], EnglishNumbers::month($m[2]), $m[1]];
        }
        if ($parts === null && ($m = $this->text->eat('(' . EnglishPatterns::MONTH . ')\s+(?:the\s+)?(\d{1,2})(?:st|nd|rd|th)?(?![\d:.h]\d|\s*[ap]\.?m\b|\d)' . $year)) !== null) {
            $parts = [$m[3], EnglishNumbers::month($m[1]), $m[2]];
        }
        if ($parts === null && ($m = $this->text->eat('(\d{1,2})\/(\d{1,2})(?:\/(\d{2,4}))?(?!\d)')) !== null) {
            throw NotUnderstood::of($m[0], 'day_or_month_first');
        }
        $quote = $this->text->since($begin);
        if ($parts === null) {
            $this->text->at = $begin;

            return null;
        }
        [$y, $month, $day] = [$parts[0] === '' ? null : (int) $parts[0], $parts[1], (int) $parts[2]];
        $most = $month < 1 || $month > 12 ? 0 : Gregorian::daysInMonth($y ?? 2000, $month);
        if ($day < 1 || $day > $most || $y === 0) {
            throw NotUnderstood::of($quote, 'no_such_date');
        }

        return new HeardDate($quote, $y, $month, $day, $weekday === null ? null : EnglishNumbers::weekday($weekday[1]));
    }

    /** The last day of a year: "the year" is that in which the series begins. */
    public function endOfYear(string $which, string $quote): HeardDate
    {
        [$year] = Gregorian::civil($this->today->dayNumber());

        return new HeardDate($quote, match ($which) {
            'this' => $year, 'next' => $year + 1, default => null,
        }, 12, 31);
    }

    /** "next week", "next month", "next year": the first day of it, from which on a series may begin */
    public function nextPeriod(): ?HeardDate
    {
        $m = $this->text->eat('next\s+(week|month|year)\b');
        if ($m === null) {
            return null;
        }
        $today = $this->today->dayNumber();
        [$year, $month] = Gregorian::civil($today);

        return self::onDay(match (strtolower($m[1])) {
            'week' => $today - Gregorian::weekday($today) + 7,
            'month' => Gregorian::dayNumber($month === 12 ? $year + 1 : $year, $month % 12 + 1, 1),
            default => Gregorian::dayNumber($year + 1, 1, 1),
        }, $m[0]);
    }

    /** A date told from today. "Next Friday" is that of the coming week, which begins on Monday; "this Friday" the one within seven days. */
    private function relative(int $begin): ?HeardDate
    {
        $today = $this->today->dayNumber();
        if ($this->text->eat('the\s+day\s+after\s+tomorrow\b') !== null) {
            return self::onDay($today + 2, $this->text->since($begin));
        }
        if (($m = $this->text->eat('(today|tomorrow)\b')) !== null) {
            return self::onDay($today + (strtolower($m[1]) === 'today' ? 0 : 1), $m[0]);
        }
        $monday = $today - Gregorian::weekday($today);
        $m = $this->text->eat('next\s+week\s+(?:on\s+)?(' . EnglishPatterns::DAY . ')') ?? $this->text->eat('(' . EnglishPatterns::DAY . ')\s+next\s+week\b') ?? $this->text->eat('next\s+(' . EnglishPatterns::DAY . ')');
        if ($m !== null) {
            return self::onDay($monday + 7 + EnglishNumbers::weekday($m[1]), $m[0]);
        }
        $m = $this->text->eat('this\s+(?:coming\s+)?(' . EnglishPatterns::DAY . ')') ?? $this->text->eat('(' . EnglishPatterns::DAY . ')\s+this\s+week\b');
        if ($m !== null) {
            $ahead = Gregorian::floorMod(EnglishNumbers::weekday($m[1]) - Gregorian::weekday($today), 7);

            return $ahead === 0 ? throw NotUnderstood::of($m[0], 'today_or_next_week') : self::onDay($today + $ahead, $m[0]);
        }
        $m = $this->text->eat('in\s+(an?|' . EnglishPatterns::NUMBER . ')\s+(day|week|month)s?\b(?:[\'’]?s?[\'’]?\s+time\b)?');

        return $m === null ? null : self::onDay($this->ahead(preg_match('/\Aan?\z/i', $m[1]) === 1 ? 1 : EnglishNumbers::number($m[1]), strtolower($m[2]), $m[0]), $m[0]);
    }

    private function ahead(int $number, string $unit, string $quote): int
    {
        $today = $this->today->dayNumber();
        if ($number < 1 || $number > 1000) {
            throw NotUnderstood::of($quote, 'no_such_span');
        }
        if ($unit !== 'month') {
            return $today + $number * ($unit === 'week' ? 7 : 1);
        }
        [$year, $month, $day] = Gregorian::civil($today);
        $index = $year * 12 + $month - 1 + $number;

        return Gregorian::dayNumber(intdiv($index, 12), $index % 12 + 1, min($day, Gregorian::daysInMonth(intdiv($index, 12), $index % 12 + 1)));
    }

    private static function onDay(int $number, string $quote): HeardDate
    {
        [$year, $month, $day] = Gregorian::civil($number);

        return new HeardDate($quote, $year, $month, $day);
    }

    public function monthHere(): ?HeardDate
    {
        $m = $this->text->eat('(' . EnglishPatterns::MONTH . ')(?:\s+(\d{4})(?![\d:.h]))?(?!\s+\d{1,2}(?:st|nd|rd|th)\b)');

        return $m === null ? null : new HeardDate($m[0], ($m[2] ?? '') === '' ? null : (int) $m[2], EnglishNumbers::month($m[1]), null);
    }
}
