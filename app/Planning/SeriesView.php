<?php

declare(strict_types=1);

namespace App\Planning;

use Syndex\Core\Recurrence\MovedDates;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Sentence\Grammar;
use Syndex\Core\Time\WallTime;

/** When and how often, in the form in which the browser sends it back. */
final readonly class SeriesView
{
    public function __construct(private Grammar $grammar) {}

    /**
     * @param  list<WallTime>|SheetDates  $own  dates that have something of their own
     * @return array<string, mixed>
     */
    public function of(Series $series, int $durationMinutes, ?MovedDates $moved = null, array|SheetDates $own = []): array
    {
        $moved = ($moved ?? MovedDates::none())->within($series);
        $own = $own instanceof SheetDates ? $own : SheetDates::of($own);

        return [
            'startLocal' => $series->start->format(),
            'rule' => $series->rule === null ? null : RuleWire::of($series->rule, $series->start),
            'dropped' => array_map(static fn(WallTime $w): string => $w->format(), $series->dropped),
            'extra' => array_map(static fn(WallTime $w): string => $w->format(), $series->extra),
            'moved' => array_map(static fn(array $pair): array => ['date' => $pair[0]->format(), 'to' => $pair[1]->format()], $moved->pairs()),
            // Those that are dates still, as they were named and as they are now.
            'ownDates' => array_map(static fn(array $pair): array => ['was' => $pair[0]->format(), 'now' => $pair[1]->format()], $own->within($moved->unmoved($series))),
            'sentence' => $this->grammar->pieces($series, $durationMinutes),
        ];
    }
}
