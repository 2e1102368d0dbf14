<?php

declare(strict_types=1);

namespace Syndex\Core\Tests;

use Syndex\Core\Overlap\Busy;
use Syndex\Core\Overlap\BusyKind;
use Syndex\Core\Overlap\Participant;
use Syndex\Core\Overlap\Plan;
use Syndex\Core\Recurrence\RuleParser;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Time\Instant;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\SystemZoneData;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\WorkingHours;
use Syndex\Core\Time\Zone;
use Syndex\Core\Work;

function zones(): SystemZoneData
{
    static $zones = new SystemZoneData('test');

    return $zones;
}

function zone(string $id): Zone
{
    return zones()->zone($id);
}

function at(string $instant): int
{
    return Instant::parse($instant)->seconds;
}

function slot(string $instant, int $minutes): Interval
{
    return Interval::lasting(at($instant), $minutes);
}

function series(string $start, string $zone, ?string $rule = null): Series
{
    return Series::timed(WallTime::parse($start), zone($zone), $rule === null ? null : RuleParser::parse($rule));
}

/** @return list<string> wall times of the series' zone, or as if UTC */
function dates(Series $series, int $limit = 100): array
{
    return array_map(
        static fn(int $start): string => WallTime::ofSeconds($series->zone === null ? $start : $series->zone->toWall($start))->format(),
        $series->expand(Work::atMost(2_000_000), limit: $limit)->starts,
    );
}

function plan(Series $series, int $minutes, string $anchor): Plan
{
    return Plan::of($series, $series->expand(Work::atMost(2_000_000)), $minutes, zone($anchor));
}

/** @param list<array{string, int}> $busy starts and minutes, in any order */
function person(string $id, ?string $zone, bool $required = true, array $busy = [], ?WorkingHours $hours = null): Participant
{
    sort($busy);

    return new Participant($id, $required, false, $zone === null ? null : zone($zone), $hours ?? WorkingHours::usual(), true, array_map(
        static fn(array $b): Busy => new Busy(slot($b[0], $b[1]), BusyKind::Busy, 'taken'),
        $busy,
    ));
}
