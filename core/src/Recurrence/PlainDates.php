<?php

declare(strict_types=1);

namespace Syndex\Core\Recurrence;

use Syndex\Core\Time\WallTime;
use Syndex\Core\Work;

/**
 * A series as a list of dates without a rule, for readers that would drop the rule: who does not know RSCALE rejects the event
 * or keeps its first date only (RFC 7529 6 and 7).
 */
final class PlainDates
{
    /** So many dates a message may list. */
    public const MOST = 1000;

    /** Whether readers of RFC 5545 alone would drop its rule. */
    public static function needed(Series $series): bool
    {
        return $series->rule !== null && $series->rule->skip !== Skip::Omit;
    }

    /** Whether there is an end, and no more dates than a message may list. */
    public static function canListAll(Series $series): bool
    {
        return $series->rule?->isOpen() !== true && $series->expand(Work::usual(), limit: self::MOST)->complete;
    }

    /**
     * The dates, the first of them where there are more than a message may list.
     *
     * @throws NoDates if there is none
     */
    public static function of(Series $series): Series
    {
        if ($series->rule === null) {
            return $series;
        }
        $walls = array_map(WallTime::ofSeconds(...), $series->expand(Work::usual(), limit: self::MOST)->walls);
        $start = array_shift($walls) ?? throw NoDates::of($series->rule);

        return $series->withDates($start, null, $walls);
    }
}
