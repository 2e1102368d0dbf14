<?php

declare(strict_types=1);

namespace Syndex\Core\Recurrence;

use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\Instant;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Work;

/**
 * Cuts a series in two, so that each date is in one of them and none is lost: the first ends by UNTIL, the second begins on its
 * first date by the rule, with what is left of COUNT.
 */
final readonly class SplitSeries
{
    /** So many dates of the second part are held against those of the whole. */
    private const COMPARED = 200;

    /**
     * @param  ?Series  $first  null where nothing lies before the cut
     * @param  ?Series  $second  null where nothing lies after it
     */
    private function __construct(public ?Series $first, public ?Series $second) {}

    /**
     * @param  int  $cut  on the scale of {@see Series::moment}: a date that begins then is in the second part
     *
     * @throws CannotEditDate if no rule says the second part
     */
    public static function at(Series $series, int $cut): self
    {
        $isBefore = static fn(WallTime $wall): bool => $series->moment($wall->seconds) < $cut;
        $isAfter = static fn(WallTime $wall): bool => !$isBefore($wall);
        $part = static fn(\Closure $in): array => [array_values(array_filter($series->extra, $in)), array_values(array_filter($series->dropped, $in))];
        $first = self::first($series, $cut, ...$part($isBefore));
        $second = self::second($series, $cut, ...$part($isAfter));
        if ($second !== null && self::walls($second, null) !== self::walls($series, $cut)) {
            throw CannotEditDate::cannotSplit(WallTime::ofSeconds($second->start->seconds));
        }

        return new self($first, $second);
    }

    /**
     * @param  list<WallTime>  $extra
     * @param  list<WallTime>  $dropped
     */
    private static function first(Series $series, int $cut, array $extra, array $dropped): ?Series
    {
        $byRule = $series->rule === null ? ($series->moment($series->start->seconds) < $cut ? [$series->start->seconds] : []) : $series->withDates($series->start, $series->rule)->expand(Work::usual(), to: Instant::ofSeconds($cut))->walls;
        $part = match (true) {
            $byRule === [] => self::ofDates($series, $extra),
            $series->rule === null => $series->withDates($series->start, null, $extra, $dropped),
            default => $series->withDates($series->start, $series->rule->withCount(null)->withUntil(self::until($series, $byRule[count($byRule) - 1])), $extra, $dropped),
        };

        return $part === null || $part->expand(Work::usual(), limit: 1)->starts === [] ? null : $part;
    }

    /**
     * @param  list<WallTime>  $extra
     * @param  list<WallTime>  $dropped
     */
    private static function second(Series $series, int $cut, array $extra, array $dropped): ?Series
    {
        if ($series->rule === null) {
            return $series->moment($series->start->seconds) < $cut ? self::ofDates($series, $extra) : $series;
        }
        $bare = $series->withDates($series->start, $series->rule);
        $next = $bare->expand(Work::usual(), from: Instant::ofSeconds($cut), limit: 1);
        if ($next->starts === []) {
            return self::ofDates($series, $extra);
        }
        $rule = self::spoken($series->rule, $series->start);
        $rule = $rule->count === null ? $rule : $rule->withCount($rule->count - $bare->expand(Work::usual(), to: Instant::ofSeconds($cut))->count());

        $part = $series->withDates(WallTime::ofSeconds($next->walls[0]), $rule, $extra, $dropped);

        return $part->expand(Work::usual(), limit: 1)->starts === [] ? null : $part;
    }

    /** @param list<WallTime> $dates */
    private static function ofDates(Series $series, array $dates): ?Series
    {
        return $dates === [] ? null : $series->withDates($dates[0], null, array_slice($dates, 1));
    }

    private static function until(Series $series, int $lastWall): Until
    {
        $wall = WallTime::ofSeconds($lastWall);

        return $series->allDay ? Until::day(WallTime::parseDate($wall->formatDate())) : Until::wallTime($wall);
    }

    /** Where a date may stand in for a day that a month lacks, the day that is meant is named, since the start may not show it. */
    private static function spoken(Rule $rule, WallTime $start): Rule
    {
        if ($rule->skip === Skip::Omit || $rule->monthDays !== [] || $rule->days !== [] || $rule->yearDays !== []) {
            return $rule;
        }
        [, $month, $day] = Gregorian::civil($start->dayNumber());

        return match ($rule->frequency) {
            Frequency::Monthly => $rule->with(monthDays: [$day]),
            Frequency::Yearly => $rule->with(monthDays: [$day], months: $rule->months === [] ? [$month] : $rule->months),
            default => $rule,
        };
    }

    /** @return list<int> */
    private static function walls(Series $series, ?int $from): array
    {
        return $series->expand(Work::usual(), from: $from === null ? null : Instant::ofSeconds($from), limit: self::COMPARED)->walls;
    }
}
