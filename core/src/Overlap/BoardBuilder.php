<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

use Syndex\Core\Recurrence\RuleParser;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\Instant;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\IntervalSet;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Work;

/** Computes the whole board of a plan. */
final class BoardBuilder
{
    /** A single meeting is held against so many coming days. */
    public const DAYS_FOR_A_SINGLE = 14;

    /** @param list<Participant> $people */
    public static function build(Plan $plan, array $people, int $index): Board
    {
        $index = max(0, min($index, $plan->dates->count() - 1));
        $judge = new DateJudge($plan, $people);
        $states = $judge->all();
        $wide = $plan->dates->count() > 1 ? $plan : self::comingDays($plan);
        $hours = new HoursOnDates();
        $columns = new ColumnBuilder($wide, $people, $hours);
        $axis = $columns->axis(0);

        return new Board(
            self::day($plan, $people, $judge, $index),
            $states,
            // Of the coming days only those count who are required.
            $wide === $plan ? [] : (new DateJudge($wide, array_values(array_filter($people, static fn(Participant $p): bool => $p->required))))->all(),
            $columns->columns(),
            self::scale($axis, $plan),
            $axis->at($plan->dates->starts[0]),
            Summary::of($states, $people),
        );
    }

    /** The stretches that the board of a plan looks at: nothing outside of them can change it. */
    public static function looksAt(Plan $plan): IntervalSet
    {
        return self::windows($plan->dates->count() > 1 ? $plan : self::comingDays($plan));
    }

    /** The same for people who are not required: coming days of a single meeting are not looked at for them. */
    public static function looksAtOptional(Plan $plan): IntervalSet
    {
        return self::windows($plan);
    }

    private static function windows(Plan $wide): IntervalSet
    {
        $columns = new ColumnBuilder($wide, [], new HoursOnDates());
        $windows = [];
        for ($index = 0; $index < $wide->dates->count(); $index++) {
            $slot = $wide->slot($index);
            $reach = $columns->reach($columns->axis($index));
            // The day shown is cut for its own date, which may begin at another time of day than the first.
            $windows[] = Interval::between(min($reach->start, $slot->start - 18 * 3600), max($reach->end, $slot->end));
        }

        return IntervalSet::of($windows);
    }

    /** The same wall time on the next days, for the view of all dates when there is but one. */
    public static function comingDays(Plan $plan): Plan
    {
        $daily = RuleParser::parse('FREQ=DAILY;COUNT=' . self::DAYS_FOR_A_SINGLE);
        $start = WallTime::ofSeconds($plan->dates->walls[0]);
        $series = Series::of($plan->series->allDay, $start, $plan->anchor, $daily);

        return Plan::of($series, $series->expand(Work::atMost(1000)), $plan->durationMinutes, $plan->anchor);
    }

    /** @param list<Participant> $people */
    private static function day(Plan $plan, array $people, DateJudge $judge, int $index): DayBoard
    {
        $wall = $plan->anchor->toWall($plan->dates->starts[$index]);
        $axis = Axis::around(Gregorian::floorDiv($wall, 86400), intdiv(Gregorian::floorMod($wall, 86400), 60), $plan->durationMinutes, $plan->anchor);
        $panes = (new PaneBuilder($plan, $people, $axis, $index))->panes();
        $standings = $judge->standings($index);

        return new DayBoard(
            $index,
            Instant::ofSeconds($axis->window->start)->format(),
            WallTime::ofSeconds($plan->anchor->toWall($axis->window->start))->format(),
            Axis::MINUTES,
            $axis->at($plan->dates->starts[$index]),
            $plan->durationMinutes,
            self::scale($axis, $plan),
            $panes,
            $standings,
            self::worstFirst($panes, $standings),
        );
    }

    /**
     * @param  list<Pane>  $panes
     * @param  list<Standing>  $standings
     * @return list<string> keys of the panes; of equals the western first
     */
    private static function worstFirst(array $panes, array $standings): array
    {
        $weights = [];
        foreach ($standings as $standing) {
            $weights[$standing->id] = $standing->weight();
        }
        $bad = static fn(Pane $pane): int => array_sum(array_map(static fn(Thread $thread): int => $weights[$thread->id] ?? 0, $pane->threads));
        usort($panes, static fn(Pane $a, Pane $b): int => $bad($b) <=> $bad($a));

        return array_map(static fn(Pane $pane): string => $pane->key, $panes);
    }

    /** @return list<Mark> every other hour of the anchor's clock, midnight among them */
    private static function scale(Axis $axis, Plan $plan): array
    {
        [$hours, $midnights] = $axis->marks($plan->anchor, 2);
        $scale = [...$hours, ...array_map(static fn(Mark $m): Mark => new Mark($m->at, '00'), $midnights)];
        usort($scale, static fn(Mark $a, Mark $b): int => $a->at <=> $b->at);

        return $scale;
    }
}
