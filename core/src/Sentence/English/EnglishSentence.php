<?php

declare(strict_types=1);

namespace Syndex\Core\Sentence\English;

use Syndex\Core\Recurrence\NoDates;
use Syndex\Core\Recurrence\Rule;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Recurrence\Skip;
use Syndex\Core\Recurrence\Until;
use Syndex\Core\Sentence\PlainRule;
use Syndex\Core\Sentence\SentencePiece;
use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\ZoneNames;
use Syndex\Core\Work;

/** The plain sentence in English: when and how often, in one line that reads back the same. */
final class EnglishSentence
{
    /** More times of day than this no sentence lists. */
    private const MOST_TIMES = 24;

    /** What is said of a rule that has no words; it does not read back. */
    private const ODD = 'by a rule of its own';

    public function __construct(private readonly ZoneNames $zones) {}

    /** @return list<SentencePiece> */
    public function pieces(Series $series, int $durationMinutes): array
    {
        $series = self::plain($series) ?? $series;
        $rule = $series->rule;
        if ($rule !== null && $rule->frequency->secondsBelowADay() !== null) {
            return $this->withinADay($series, $rule, $durationMinutes);
        }
        $pieces = $rule === null
            ? [new SentencePiece(null, 'on '), new SentencePiece('date', EnglishWords::weekdayAndDate($series->start))]
            : [new SentencePiece('repeats', EnglishRule::words($rule) ?? self::ODD)];
        if ($series->allDay) {
            $pieces[] = new SentencePiece(null, ', ');
            $pieces[] = new SentencePiece('length', self::days($durationMinutes));
        } else {
            $times = self::timesOfDay($series);
            $pieces[] = new SentencePiece(null, ' at ');
            $pieces[] = new SentencePiece('time', EnglishWords::listed(array_map(static fn(int $t): string => EnglishWords::clock(WallTime::ofSeconds($t)), $times)));
            $pieces = [...$pieces, ...$this->zone($series), new SentencePiece(null, ' for '), new SentencePiece('length', EnglishWords::length($durationMinutes))];
        }

        return [...$pieces, ...self::ending($series), ...self::single($series)];
    }

    /** @return list<string> the parts of its rule for which there are no words; none if all can be said */
    public static function oddParts(Series $series): array
    {
        $plain = self::plain($series);
        if ($plain === null) {
            return ['a rule that no date matches'];
        }
        $rule = $plain->rule;
        if ($rule === null) {
            return [];
        }
        if (EnglishRule::words($rule) !== null && count(self::timesOfDay($plain)) <= self::MOST_TIMES) {
            return [];
        }

        $parts = array_values(array_filter(explode(';', $rule->toText()), static fn(string $part): bool => preg_match('/\A(?:FREQ|COUNT|UNTIL|INTERVAL)/', $part) !== 1));

        return $parts === [] ? [$rule->toText()] : $parts;
    }

    /** The same dates said in the plainest way, begun on the first of them; null where there is none. */
    public static function plain(Series $series): ?Series
    {
        if ($series->rule === null) {
            return $series;
        }
        $rule = PlainRule::of($series->rule, $series->start);
        if (EnglishRule::words($rule) === null) {
            return $series->withRule($rule);
        }
        if ($rule->skip !== Skip::Omit) {
            // Its first date may belong to the month before, so the start stays where it is.
            return $series->withRule($rule)->expand(Work::usual(), limit: 1)->starts === [] ? null : $series->withRule($rule);
        }
        try {
            $series = $series->startedOnRule(Work::usual());
        } catch (NoDates) {
            return null;
        }
        if ($rule->until !== null && $series->moment($series->start->seconds) > $rule->until->lastMoment($series->zone)) {
            return null;
        }

        return $series->withRule($rule->count === 1 ? null : PlainRule::of($rule, $series->start));
    }

    /** @return list<SentencePiece> */
    private function withinADay(Series $series, Rule $rule, int $minutes): array
    {
        return [
            new SentencePiece('repeats', EnglishRule::words($rule) ?? self::ODD),
            new SentencePiece(null, ' from '), new SentencePiece('start', EnglishWords::date($series->start)),
            new SentencePiece(null, ' at '), new SentencePiece('time', EnglishWords::clock($series->start)),
            ...$this->zone($series),
            new SentencePiece(null, ' for '), new SentencePiece('length', EnglishWords::length($minutes)),
            new SentencePiece(null, $rule->isOpen() ? ' with ' : ', '), new SentencePiece('end', self::end($series, $rule)),
            ...self::single($series),
        ];
    }

    /** @return list<SentencePiece> */
    private function zone(Series $series): array
    {
        $id = $series->zone?->id;
        $name = $id === null ? 'floating' : $this->zones->of($id);

        return $name === null
            ? [new SentencePiece(null, ' in time zone '), new SentencePiece('zone', (string) $id)]
            : [new SentencePiece(null, ' '), new SentencePiece('zone', $name), new SentencePiece(null, ' time')];
    }

    private static function days(int $minutes): string
    {
        $days = intdiv($minutes, 1440);

        return $days <= 1 ? 'all day' : "$days days, all day";
    }

    /** @return list<SentencePiece> */
    private static function ending(Series $series): array
    {
        $rule = $series->rule;
        if ($rule === null) {
            return [];
        }
        $start = EnglishWords::date($series->start);
        $times = self::timesOfDay($series);
        if (!$series->allDay && count($times) > 1 && $series->start->secondOfDay() !== $times[0]) {
            $start .= ' at ' . EnglishWords::clock($series->start);
        }
        $from = [new SentencePiece(null, ' from '), new SentencePiece('start', $start)];
        $end = new SentencePiece('end', self::end($series, $rule));

        return match (true) {
            $rule->count !== null => [new SentencePiece(null, ', '), $end, ...$from],
            $rule->until !== null => [new SentencePiece(null, ','), ...$from, new SentencePiece(null, ' '), $end],
            default => [new SentencePiece(null, ','), ...$from, new SentencePiece(null, ' with '), $end],
        };
    }

    private static function end(Series $series, Rule $rule): string
    {
        return match (true) {
            $rule->count !== null => "$rule->count times",
            $rule->until !== null => 'until ' . self::lastDay($series, $rule->until),
            default => 'no end',
        };
    }

    /** The last day on which a date may fall, with a time of day where UNTIL cuts through the day's dates. */
    private static function lastDay(Series $series, Until $until): string
    {
        $last = $until->lastMoment($series->zone);
        $wall = $series->zone?->toWall($last) ?? $last;
        $midnight = Gregorian::floorDiv($wall, 86400) * 86400;
        if ($series->rule?->frequency->secondsBelowADay() !== null) {
            return EnglishWords::date(WallTime::ofSeconds($midnight)) . ' at ' . EnglishWords::clock(WallTime::ofSeconds($wall));
        }
        $within = array_values(array_filter(self::timesOfDay($series), static fn(int $time): bool => $series->moment($midnight + $time) <= $last));

        return match (count($within)) {
            count(self::timesOfDay($series)) => EnglishWords::date(WallTime::ofSeconds($midnight)),
            0 => EnglishWords::date(WallTime::ofSeconds($midnight - 86400)),
            default => EnglishWords::date(WallTime::ofSeconds($midnight)) . ' at ' . EnglishWords::clock(WallTime::ofSeconds($midnight + max($within))),
        };
    }

    /**
     * Dates taken away and added.
     *
     * @return list<SentencePiece>
     */
    private static function single(Series $series): array
    {
        $times = self::timesOfDay($series);
        $said = static fn(WallTime $wall): string => EnglishWords::date($wall)
            . ($series->allDay || $times === [$wall->secondOfDay()] ? '' : ' at ' . EnglishWords::clock($wall));
        $pieces = [];
        foreach (['except' => $series->dropped, 'and also on' => $series->extra] as $lead => $walls) {
            if ($walls !== []) {
                $pieces[] = new SentencePiece(null, ", $lead ");
                $pieces[] = new SentencePiece($lead === 'except' ? 'except' : 'also', EnglishWords::listed(array_map($said, $walls)));
            }
        }

        return $pieces;
    }

    /** @return list<int> seconds of the day at which a day's dates begin */
    private static function timesOfDay(Series $series): array
    {
        $rule = $series->rule;
        $second = $series->start->secondOfDay();
        if ($rule === null || $rule->frequency->secondsBelowADay() !== null) {
            return $rule === null ? [$second] : [];
        }
        $times = [];
        foreach ($rule->hours ?: [intdiv($second, 3600)] as $hour) {
            foreach ($rule->minutes ?: [intdiv($second, 60) % 60] as $minute) {
                foreach ($rule->seconds ?: [$second % 60] as $ofMinute) {
                    $times[] = $hour * 3600 + $minute * 60 + $ofMinute;
                }
            }
        }

        return $times;
    }
}
