<?php

declare(strict_types=1);

namespace Syndex\Core\Recurrence;

use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\InvalidTime;
use Syndex\Core\Work;

/** The dates of a meeting that is planned once more: the same weekday, time, rule and length of the whole, after those there are. */
final class PlanAgain
{
    private const A_WEEK = 7 * 86400;

    /**
     * Single dates stay behind. A series without end goes on from the next date that lies ahead.
     *
     * @param  int  $now  what the anchor's clock shows
     *
     * @throws NoDates if no date of the rule lies ahead
     * @throws InvalidTime if it would leave the calendar
     */
    public static function of(Series $series, int $now): Series
    {
        $after = $now;
        if ($series->rule?->isOpen() !== true) {
            $walls = $series->expand(Work::usual())->walls;
            $after = $walls === [] ? $now : max($now, $walls[count($walls) - 1]);
        }
        $weeks = max(0, Gregorian::floorDiv($after - $series->start->seconds, self::A_WEEK) + 1);
        $start = $series->start->plusSeconds($weeks * self::A_WEEK);
        $rule = $series->rule;
        $rule = $rule?->until === null ? $rule : $rule->withUntil($rule->until->laterBy($weeks * self::A_WEEK, $series->zone));
        $again = $series->withDates($start, $rule);

        return $again->begunAsNamed(Work::usual());
    }
}
