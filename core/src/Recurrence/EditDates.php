<?php

declare(strict_types=1);

namespace Syndex\Core\Recurrence;

use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\Instant;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Work;

/** Changes single dates of a series: takes one away or back, moves one, adds one. The rule stays as it is. */
final class EditDates
{
    /**
     * A date by the rule is remembered as taken away, so that it can come back; any other is gone.
     *
     * @throws CannotEditDate if the series has no such date, or no other
     */
    public static function drop(Series $series, WallTime $date): Series
    {
        if (!self::has($series, $date)) {
            throw CannotEditDate::noSuchDate($date);
        }
        $left = self::without($series, $date);

        return $left === null || $left->expand(Work::usual(), limit: 1)->starts === [] ? throw CannotEditDate::lastDate() : $left;
    }

    /** @throws CannotEditDate if it is there already */
    public static function add(Series $series, WallTime $date): Series
    {
        if (self::has($series, $date)) {
            throw CannotEditDate::thereAlready($date);
        }
        $dropped = self::except($series->dropped, $date);
        if (count($dropped) < count($series->dropped)) {
            $back = $series->withDates($series->start, $series->rule, $series->extra, $dropped);
            if (self::has($back, $date)) {
                return $back;
            }
        }
        $extra = [...$series->extra, $date];
        usort($extra, static fn(WallTime $a, WallTime $b): int => $a->seconds <=> $b->seconds);
        if ($series->rule === null && $extra[0]->seconds < $series->start->seconds) {
            // Without a rule the first date is the start.
            return $series->withDates($extra[0], $series->rule, [$series->start, ...array_slice($extra, 1)], $dropped);
        }

        return $series->withDates($series->start, $series->rule, $extra, $dropped);
    }

    /** @throws CannotEditDate as for the two steps it is made of */
    public static function move(Series $series, WallTime $date, WallTime $to): Series
    {
        if (!self::has($series, $date)) {
            throw CannotEditDate::noSuchDate($date);
        }
        if ($date->seconds === $to->seconds) {
            return $series;
        }
        if (self::has($series, $to)) {
            throw CannotEditDate::thereAlready($to);
        }
        $left = self::without($series, $date);

        return $left === null ? $series->withStart($to) : self::add($left, $to);
    }

    /** Null where nothing would be left to begin with. */
    private static function without(Series $series, WallTime $date): ?Series
    {
        $extra = self::except($series->extra, $date);
        if (count($extra) < count($series->extra)) {
            return $series->withDates($series->start, $series->rule, $extra, $series->dropped);
        }
        if ($series->rule === null) {
            return $series->extra === [] ? null : $series->withDates($series->extra[0], $series->rule, array_slice($series->extra, 1), $series->dropped);
        }
        $dropped = [...$series->dropped, $date];
        usort($dropped, static fn(WallTime $a, WallTime $b): int => $a->seconds <=> $b->seconds);

        return $series->withDates($series->start, $series->rule, $series->extra, $dropped);
    }

    private static function has(Series $series, WallTime $date): bool
    {
        $moment = $series->moment($date->seconds);

        return $moment >= -62135596800 && $moment < Gregorian::LAST_DAY * 86400
            && $series->expand(Work::usual(), Instant::ofSeconds($moment), Instant::ofSeconds($moment + 1), 1)->starts !== [];
    }

    /**
     * @param  list<WallTime>  $walls
     * @return list<WallTime>
     */
    private static function except(array $walls, WallTime $date): array
    {
        return array_values(array_filter($walls, static fn(WallTime $w): bool => $w->seconds !== $date->seconds));
    }
}
