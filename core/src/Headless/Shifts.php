<?php

declare(strict_types=1);

namespace Syndex\Core\Headless;

use Syndex\Core\Shifts\Anchor;
use Syndex\Core\Shifts\AnchorAdvice;
use Syndex\Core\Shifts\ClockChange;
use Syndex\Core\Shifts\ClockShifts;
use Syndex\Core\Shifts\PersonShifts;
use Syndex\Core\Time\Instant;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\Work;

/** Whose clocks move on which dates of a series, and which anchor zone disturbs fewest. */
final readonly class Shifts implements Verb
{
    public function __construct(private ZoneData $zones) {}

    public function keys(): array
    {
        return [...SeriesKeys::NAMES, 'duration', 'from', 'to', 'limit', 'people'];
    }

    public function answer(Fields $fields): array
    {
        $work = Work::atMost(Protocol::MOST_STEPS);
        $series = SeriesKeys::read($fields, $this->zones, $work);
        if ($series->zone === null) {
            throw BadLine::floating();
        }
        $duration = $fields->neededNumber('duration', 1);
        $people = PeopleKeys::clocks($fields, $this->zones, $work);
        $dates = $series->expand(
            $work,
            SeriesKeys::instant($fields, 'from'),
            SeriesKeys::instant($fields, 'to'),
            max(1, $fields->wholeNumber('limit', 1, 1000)),
        );
        $starts = $dates->starts;

        return [
            'people' => array_map(static fn(PersonShifts $shifts): array => [
                'id' => $shifts->person->id,
                'local' => array_map(static fn(int $start): string => Instant::ofSeconds($start)->formatIn($shifts->person->zone), $starts),
                'changes' => array_map(static fn(ClockChange $c): array => ['at' => $c->at, 'was' => $c->was, 'now' => $c->now], $shifts->changes),
                'outside' => $shifts->outside,
            ], ClockShifts::of($starts, $duration, $people, $work)),
            'anchors' => array_map(
                static fn(Anchor $a): array => ['tzid' => $a->zoneId, 'changes' => $a->changes, 'outside' => $a->outside],
                AnchorAdvice::of($dates, $series->zone, $duration, $people, $this->zones->zone('UTC'), $work),
            ),
        ];
    }
}
