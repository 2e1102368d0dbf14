<?php

declare(strict_types=1);

namespace Syndex\Core\Recurrence;

use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\PlaceName;
use Syndex\Core\Time\WallTime;

/** The plain sentence in English: when and how often, in one line, for the rules that the plan sheet makes. */
final class EnglishSentence
{
    private const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

    private const MONTHS = [1 => 'January', 'February', 'March', 'April', 'May', 'June', 'July', 'August', 'September', 'October', 'November', 'December'];

    private const ORDINALS = [1 => 'first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth', 'ninth', 'tenth'];

    /**
     * @param  string  $zoneId  the anchor zone, named even for an all-day series
     * @return list<SentencePiece>
     */
    public static function pieces(Series $series, int $durationMinutes, string $zoneId): array
    {
        $pieces = $series->rule === null
            ? [new SentencePiece(null, 'on '), new SentencePiece('date', self::weekdayAndDate($series->start))]
            : [new SentencePiece('repeats', self::repeats($series->rule, $series->start))];
        if ($series->allDay) {
            $pieces[] = new SentencePiece(null, ', ');
            $pieces[] = new SentencePiece('length', self::days($durationMinutes));
        } else {
            $pieces[] = new SentencePiece(null, ' at ');
            $pieces[] = new SentencePiece('time', $series->start->formatClock());
            $pieces[] = new SentencePiece(null, ' ');
            $pieces[] = new SentencePiece('zone', PlaceName::of($zoneId));
            $pieces[] = new SentencePiece(null, ' time for ');
            $pieces[] = new SentencePiece('length', self::length($durationMinutes));
        }
        if ($series->rule !== null) {
            $pieces = [...$pieces, ...self::ending($series->rule), new SentencePiece(null, ' from '), new SentencePiece('start', self::date($series->start))];
        }

        return $pieces;
    }

    /** @param list<SentencePiece> $pieces */
    public static function join(array $pieces): string
    {
        return implode('', array_map(static fn(SentencePiece $p): string => $p->text, $pieces));
    }

    public static function date(WallTime $wall): string
    {
        [$year, $month, $day] = Gregorian::civil($wall->dayNumber());

        return $day . ' ' . self::MONTHS[$month] . ' ' . $year;
    }

    public static function weekdayAndDate(WallTime $wall): string
    {
        return self::DAYS[Gregorian::weekday($wall->dayNumber())] . ' ' . self::date($wall);
    }

    public static function length(int $minutes): string
    {
        if ($minutes < 60 || ($minutes < 120 && $minutes % 60 !== 0)) {
            return $minutes === 1 ? '1 minute' : "$minutes minutes";
        }
        $hours = intdiv($minutes, 60);
        $text = $hours === 1 ? '1 hour' : "$hours hours";

        return $minutes % 60 === 0 ? $text : $text . ' and ' . self::length($minutes % 60);
    }

    private static function days(int $minutes): string
    {
        $days = intdiv($minutes, 1440);

        return $days <= 1 ? 'all day' : "$days days, all day";
    }

    private static function repeats(Rule $rule, WallTime $start): string
    {
        $plain = $rule->positions === [] && $rule->weeks === [] && $rule->yearDays === [] && $rule->hours === [] && $rule->minutes === [] && $rule->seconds === [];
        $text = match (true) {
            !$plain => null,
            $rule->frequency === Frequency::Daily => self::daily($rule),
            $rule->frequency === Frequency::Weekly => self::weekly($rule, $start),
            $rule->frequency === Frequency::Monthly => self::monthly($rule, $start),
            $rule->frequency === Frequency::Yearly => self::yearly($rule, $start),
            default => null,
        };

        return $text ?? 'by a rule of its own';
    }

    private static function daily(Rule $rule): ?string
    {
        return $rule->days === [] && $rule->months === [] && $rule->monthDays === [] ? self::every($rule->interval, 'day') : null;
    }

    private static function weekly(Rule $rule, WallTime $start): ?string
    {
        if ($rule->months !== []) {
            return null;
        }
        $weekdays = array_map(static fn(WeekdayPick $p): int => $p->weekday, $rule->days) ?: [Gregorian::weekday($start->dayNumber())];
        sort($weekdays);
        $names = self::listed(array_map(static fn(int $d): string => self::DAYS[$d], $weekdays));
        if ($weekdays === [0, 1, 2, 3, 4]) {
            return $rule->interval === 1 ? 'every weekday' : self::every($rule->interval, 'week') . ' from Monday to Friday';
        }
        if ($rule->interval === 1 || ($rule->interval === 2 && count($weekdays) === 1)) {
            return self::every($rule->interval, $names);
        }

        return self::every($rule->interval, 'week') . ' on ' . $names;
    }

    private static function monthly(Rule $rule, WallTime $start): ?string
    {
        if ($rule->months !== [] || ($rule->days !== [] && $rule->monthDays !== []) || count($rule->days) > 1 || count($rule->monthDays) > 1) {
            return null;
        }
        $on = $rule->days !== [] ? self::picked($rule->days[0]) : self::monthDay($rule->monthDays[0] ?? Gregorian::civil($start->dayNumber())[2]);
        if ($on === null) {
            return null;
        }

        return 'on the ' . $on . ' of ' . self::every($rule->interval, 'month');
    }

    private static function yearly(Rule $rule, WallTime $start): ?string
    {
        [, $month, $day] = Gregorian::civil($start->dayNumber());
        if (count($rule->months) > 1 || count($rule->monthDays) > 1 || count($rule->days) > 1 || ($rule->days !== [] && ($rule->monthDays !== [] || $rule->months === []))) {
            return null;
        }
        $month = $rule->months[0] ?? $month;
        if ($rule->days !== []) {
            $on = self::picked($rule->days[0]);

            return $on === null ? null : self::every($rule->interval, 'year') . ' on the ' . $on . ' of ' . self::MONTHS[$month];
        }
        $monthDay = $rule->monthDays[0] ?? $day;

        return $monthDay < 1 ? null : self::every($rule->interval, 'year') . ' on ' . $monthDay . ' ' . self::MONTHS[$month];
    }

    /** @return list<SentencePiece> */
    private static function ending(Rule $rule): array
    {
        if ($rule->count !== null) {
            return [new SentencePiece(null, ', '), new SentencePiece('end', $rule->count === 1 ? 'once' : "$rule->count times")];
        }
        if ($rule->until !== null) {
            return [new SentencePiece(null, ', '), new SentencePiece('end', 'until ' . self::date(WallTime::ofSeconds($rule->until->lastWall(null))))];
        }

        return [new SentencePiece(null, ', '), new SentencePiece('end', 'with no end')];
    }

    private static function every(int $interval, string $what): string
    {
        return match (true) {
            $interval === 1 => "every $what",
            isset(self::ORDINALS[$interval]) => 'every ' . self::ORDINALS[$interval] . " $what",
            default => 'every ' . self::numbered($interval) . " $what",
        };
    }

    private static function picked(WeekdayPick $pick): ?string
    {
        $day = self::DAYS[$pick->weekday];

        return match (true) {
            $pick->nth >= 1 && $pick->nth <= 5 => self::ORDINALS[$pick->nth] . " $day",
            $pick->nth === -1 => "last $day",
            $pick->nth === -2 => "second to last $day",
            default => null,
        };
    }

    private static function monthDay(int $day): ?string
    {
        return match (true) {
            $day > 0 => self::numbered($day),
            $day === -1 => 'last day',
            default => null,
        };
    }

    private static function numbered(int $number): string
    {
        $tail = in_array($number % 100, [11, 12, 13], true) ? 'th' : match ($number % 10) {
            1 => 'st', 2 => 'nd', 3 => 'rd', default => 'th',
        };

        return $number . $tail;
    }

    /** @param list<string> $names */
    private static function listed(array $names): string
    {
        $last = array_pop($names);

        return $names === [] ? (string) $last : implode(', ', $names) . ' and ' . $last;
    }
}
