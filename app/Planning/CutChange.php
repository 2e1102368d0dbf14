<?php

declare(strict_types=1);

namespace App\Planning;

use App\Failure\NotNow;
use Illuminate\Database\Eloquent\Collection;
use Syndex\Core\Recurrence\CannotEditDate;
use Syndex\Core\Recurrence\MovedDates;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Recurrence\SplitSeries;
use Syndex\Core\Time\Instant;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\TooMuchWork;
use Syndex\Core\Work;

/**
 * Where a change cuts its series: from the date on that was asked for, else before the next date where dates that have begun would
 * not stay as they were. Calendars are told of two series then, the later one with a UID of its own.
 */
final readonly class CutChange
{
    /** So many dates are held against each other. */
    private const COMPARED = 500;

    public function __construct(private MeetingSeries $series, private ZoneData $zones) {}

    /** @return ?CutSeries null where the whole is changed */
    public function of(Meeting $sheet, Meeting $meeting): ?CutSeries
    {
        $before = $this->series->unmoved($meeting);
        $after = $this->series->unmoved($sheet);
        if (!$before->isRepeated()) {
            return null;
        }
        try {
            if ($sheet->split_local !== null) {
                $from = WallTime::parse($sheet->split_local->format('Y-m-d\TH:i:s'));
                $split = SplitSeries::at($before, $before->moment($from->seconds));

                return $split->first === null || $split->second === null ? null : $this->cut($meeting, $sheet, $from, $split->first, $split->second, $after, null);
            }
            $now = $this->now($before, $meeting);
            if ($this->staysPast($meeting, $sheet, $now)) {
                return null;
            }
            $was = SplitSeries::at($before, $now);
            $is = SplitSeries::at($after, $this->now($after, $sheet));
        } catch (CannotEditDate $cannot) {
            throw NotNow::cannotSplit();
        }
        if ($was->first === null || $was->second === null || $is->second === null) {
            return null;
        }

        return $this->cut($meeting, $sheet, $was->second->start, $was->first, $was->second, $is->second, $is->second->start);
    }

    /**
     * The sheet with the dates that have begun as they were, where only those were touched on it: they are past, and nobody is told
     * of them.
     */
    public function keepPast(Meeting $sheet, Meeting $meeting): Meeting
    {
        $cut = $sheet->split_local === null ? $this->of($sheet, $meeting) : null;
        if ($cut === null || !$this->keepsTimes($cut)) {
            return $sheet;
        }
        $kept = clone $sheet;
        $kept->forceFill(MeetingSeries::columns($this->series->of($meeting), $this->series->moved($meeting)));
        $past = $meeting->dates->filter(static fn(OwnDate $d): bool => $d->date()->seconds < $cut->from->seconds);
        $kept->setRelation('dates', new Collection([...$past->all(), ...$cut->later->dates->all()]));

        return $kept;
    }

    /** Whether what comes is at the same moments, as long and in the same place as what was to come, so that answers hold. */
    public function keepsTimes(CutSeries $cut): bool
    {
        return $cut->wasLater->duration_minutes === $cut->later->duration_minutes && $cut->wasLater->place === $cut->later->place && $cut->wasLater->join_mode === $cut->later->join_mode
            && $this->starts($cut->wasLater) === $this->starts($cut->later);
    }

    /** @return list<int> */
    private function starts(Meeting $meeting): array
    {
        return $this->series->of($meeting)->expand(Work::usual(), limit: self::COMPARED)->starts;
    }

    /**
     * The part of a sent series from one of its dates on, as the columns of a sheet.
     *
     * @return array<string, mixed>
     */
    public function columnsFrom(Meeting $meeting, WallTime $from): array
    {
        $before = $this->series->unmoved($meeting);
        $split = SplitSeries::at($before, $before->moment($from->seconds));
        if ($split->first === null || $split->second === null) {
            return [];
        }

        return [...self::columns($split->second, $this->series->moved($meeting)->from($from)), 'split_local' => str_replace('T', ' ', $from->format())];
    }

    /**
     * A series that ends before one of its dates, as columns.
     *
     * @return array<string, mixed> none where nothing is left
     */
    public function columnsBefore(Meeting $meeting, WallTime $date): array
    {
        $series = $this->series->unmoved($meeting);
        try {
            $first = SplitSeries::at($series, $series->moment($date->seconds))->first;
        } catch (CannotEditDate) {
            throw NotNow::cannotSplit();
        }

        return $first === null ? [] : self::columns($first, $this->series->moved($meeting)->before($date));
    }

    /** @param ?WallTime $of the date of the sheet's series before which nothing is of it any more */
    private function cut(Meeting $meeting, Meeting $sheet, WallTime $from, Series $earlier, Series $wasLater, Series $later, ?WallTime $of): CutSeries
    {
        $moved = $this->series->moved($meeting);
        $laterMoved = $of === null ? $this->series->moved($sheet) : $this->series->moved($sheet)->from($of);

        return new CutSeries(
            $from,
            self::part($meeting, $earlier, $moved->before($from), static fn(OwnDate $d): bool => $d->date()->seconds < $from->seconds),
            self::part($meeting, $wasLater, $moved->from($from), static fn(OwnDate $d): bool => $d->date()->seconds >= $from->seconds),
            self::part($sheet, $later, $laterMoved, static fn(OwnDate $d): bool => $of === null || $d->date()->seconds >= $of->seconds),
        );
    }

    /** @param \Closure(OwnDate): bool $isIn */
    private static function part(Meeting $meeting, Series $series, MovedDates $moved, \Closure $isIn): Meeting
    {
        $meeting->loadMissing(['agenda', 'attendees.person', 'dates.attendees.person']);
        $part = clone $meeting;
        $part->forceFill(self::columns($series, $moved));
        $part->setRelation('dates', new Collection($meeting->dates->filter($isIn)->values()->all()));

        return $part;
    }

    /** @return array<string, mixed> */
    private static function columns(Series $unmoved, MovedDates $moved): array
    {
        return MeetingSeries::columns($moved->onto($unmoved), $moved);
    }

    /** Whether the dates that have begun are the same in both, as long and in the same place. */
    private function staysPast(Meeting $meeting, Meeting $sheet, int $now): bool
    {
        try {
            $was = $this->begun($meeting, $now);
            $is = $this->begun($sheet, $now);
        } catch (TooMuchWork) {
            return false;
        }

        return $was === $is;
    }

    /** @return list<array{int, int, ?string}> start, minutes and place of each date that has begun */
    private function begun(Meeting $meeting, int $now): array
    {
        $named = $this->series->named($meeting);
        $found = $this->series->of($meeting)->expand(Work::usual(), to: Instant::ofSeconds($now));
        $begun = [];
        foreach ($found->starts as $at => $start) {
            $date = DateAsPlanned::of($meeting, WallTime::ofSeconds($named[$found->walls[$at]] ?? $found->walls[$at]));
            $begun[] = [$start, $date->minutes, $date->place];
        }

        return $begun;
    }

    /** On the scale of the series' moments; a day without a clock has begun when it is that day at the anchor. */
    private function now(Series $series, Meeting $meeting): int
    {
        $now = now()->getTimestamp();

        return $series->allDay ? $this->zones->zone($meeting->zone)->toWall($now) : $now;
    }
}
