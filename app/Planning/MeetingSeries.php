<?php

declare(strict_types=1);

namespace App\Planning;

use Syndex\Core\Recurrence\MovedDates;
use Syndex\Core\Recurrence\RuleParser;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\ZoneData;

/** Brings a stored meeting's dates into the core's form, and back. */
final readonly class MeetingSeries
{
    public function __construct(private ZoneData $zones) {}

    public function of(Meeting $meeting): Series
    {
        $start = WallTime::parse($meeting->starts_local->format('Y-m-d\TH:i:s'));
        $rule = $meeting->rrule === null ? null : RuleParser::parse($meeting->rrule);
        $extra = array_map(WallTime::parse(...), $meeting->extra_local);
        $dropped = array_map(WallTime::parse(...), $meeting->dropped_local);

        return Series::of($meeting->all_day, $start, $meeting->all_day ? null : $this->zones->zone($meeting->zone), $rule, $extra, $dropped);
    }

    public function moved(Meeting $meeting): MovedDates
    {
        return MovedDates::of(array_map(static fn(array $pair): array => [WallTime::parse($pair[0]), WallTime::parse($pair[1])], $meeting->moved_local ?? []))->within($this->of($meeting));
    }

    /** @return array<int, int> of each date that was moved: where the series names it, by where it is; wall times in seconds */
    public function named(Meeting $meeting): array
    {
        $named = [];
        foreach ($this->moved($meeting)->pairs() as [$from, $to]) {
            $named[$to->seconds] = $from->seconds;
        }

        return $named;
    }

    /** With every date where the rule has it. */
    public function unmoved(Meeting $meeting): Series
    {
        return $this->moved($meeting)->unmoved($this->of($meeting));
    }

    /**
     * The same, as a meeting's columns hold it. The zone is a column of its own: a day without a clock has an anchor too.
     *
     * @return array{starts_local: string, all_day: bool, rrule: ?string, extra_local: list<string>, dropped_local: list<string>, moved_local: list<array{string, string}>}
     */
    public static function columns(Series $series, ?MovedDates $moved = null): array
    {
        $written = static fn(WallTime $w): string => $w->format();

        return [
            'starts_local' => str_replace('T', ' ', $series->start->format()),
            'all_day' => $series->allDay,
            'rrule' => $series->rule?->toText(),
            'extra_local' => array_map($written, $series->extra),
            'dropped_local' => array_map($written, $series->dropped),
            'moved_local' => array_map(static fn(array $pair): array => [$pair[0]->format(), $pair[1]->format()], ($moved ?? MovedDates::none())->within($series)->pairs()),
        ];
    }
}
