<?php

declare(strict_types=1);

namespace Syndex\Core\Sentence\English;

use Syndex\Core\Sentence\Cursor;
use Syndex\Core\Sentence\Heard;
use Syndex\Core\Sentence\NotUnderstood;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\ZoneLetters;
use Syndex\Core\Time\ZoneNames;

/**
 * Reads what a coordinator types about when and how often, in several wordings and orders.
 *
 * Small readers take one piece of the text each, where it stands. What none of them takes is never passed over: the whole is then
 * refused with a quote, and so is whatever has several meanings ("biweekly", "3:30", "8/12").
 */
final readonly class EnglishReader
{
    private const LONGEST = 2000;

    private const FILLER = EnglishPatterns::FILLER;

    /** @param list<\Closure(): bool> $readers in the order in which they are tried */
    private function __construct(private Cursor $text, private Heard $heard, private array $readers) {}

    /** @throws NotUnderstood quoting what has no meaning, or several */
    public static function read(string $text, WallTime $today, ZoneNames $names, ZoneLetters $letters): Heard
    {
        if (!mb_check_encoding($text, 'UTF-8') || mb_strlen($text) > self::LONGEST) {
            throw NotUnderstood::of(mb_scrub(substr($text, 0, 80)), 'too_long');
        }

        // A full stop ends the sentence, or one of several after a year; "10.30" and "p.m." keep theirs.
        $text = new Cursor((string) preg_replace(['/(?<=[\w)])(?<!\.[ap]m|[ap]\.m)\.(?=\s*\z)/iu', '/(?<=\b\d{4})\.(?=\s)/u'], '', $text));
        $heard = new Heard(trim($text->text));

        return (new self($text, $heard, self::order($text, $heard, $today, $names, $letters)))->all();
    }

    /**
     * The readers in the order in which they are tried: the longer wordings before those that begin like them.
     *
     * @return list<\Closure(): bool>
     */
    private static function order(Cursor $text, Heard $heard, WallTime $today, ZoneNames $names, ZoneLetters $letters): array
    {
        $clock = new EnglishClock($text, $heard);
        $dates = new EnglishDates($text, $today, $clock);
        $endings = new Endings($text, $heard, $dates, $clock);
        $single = new SingleDates($text, $heard, $dates);
        $repeats = new Repeats($text, $heard, $dates);
        $weekdays = new Weekdays($text, $heard);
        $monthDays = new MonthDays($text, $heard);
        $starts = new Starts($text, $heard, $dates, $clock);
        $lengths = new Lengths($text, $heard);
        $times = new Times($text, $heard, $clock);
        $places = new Places($text, $heard, $names, $letters, $today);

        return [
            $endings->noEnd(...), $single->taken(...), $single->added(...), $repeats->weekStart(...), $repeats->skip(...), $repeats->everyDate(...),
            $weekdays->everyOtherDay(...), $weekdays->everyWorkingDay(...), $repeats->everyUnit(...), $weekdays->everyDays(...), $repeats->adverb(...),
            $repeats->ofUnit(...), $monthDays->ofWeek(...), $monthDays->daysOfMonths(...), $weekdays->position(...), $weekdays->numberedDay(...),
            $weekdays->countedDay(...), $weekdays->dayRange(...), $monthDays->monthDayRange(...), $starts->start(...), $endings->ending(...),
            $endings->count(...), $lengths->allDay(...), $endings->span(...), $times->clockRange(...), $lengths->halfHours(...),
            $lengths->lengthInDays(...), $starts->date(...), $times->atTime(...), $lengths->length(...), $times->time(...), $monthDays->months(...),
            $monthDays->monthDays(...), $weekdays->workingDays(...), $weekdays->days(...), $times->partOfDay(...), $places->zone(...),
        ];
    }

    private function all(): Heard
    {
        $idle = null;
        while (true) {
            $this->text->eat('(?:[\s,;!–—-]|\.(?=\s|\z))+');
            if ($this->text->isAtEnd()) {
                break;
            }
            $begin = $this->text->at;
            $before = $this->heard->known();
            if ($this->one()) {
                $this->heard->note($before, trim($this->text->since($begin), " \t\n,;"));
                $idle = null;
            } elseif (($filler = $this->text->eat(self::FILLER)) !== null) {
                $idle = $filler[0];
            } else {
                $word = $this->text->eat('\S+(?:\s+\S+)?') ?? [''];

                throw NotUnderstood::of($word[0], 'unknown_words');
            }
        }
        if ($this->heard->pieces === []) {
            throw NotUnderstood::of($this->text->text, 'nothing_said');
        }
        if ($idle !== null && preg_match('/\A(?:on|the|an?|and)\z/i', $idle) === 1) {
            throw NotUnderstood::of($idle, 'something_missing');
        }

        return $this->heard;
    }

    private function one(): bool
    {
        $begin = $this->text->at;
        foreach ($this->readers as $reader) {
            if ($reader()) {
                return true;
            }
            $this->text->at = $begin;
        }

        return false;
    }
}
