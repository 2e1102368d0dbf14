<?php

declare(strict_types=1);

namespace App\Overlap;

use App\Planning\SaveSheet;
use App\Planning\Sheet;
use App\Planning\SheetDates;
use Illuminate\Validation\ValidationException;
use Syndex\Core\Overlap\Plan;
use Syndex\Core\Recurrence\CannotEditDate;
use Syndex\Core\Recurrence\MovedDates;
use Syndex\Core\Recurrence\MovedSeries;
use Syndex\Core\Recurrence\MoveSeries;
use Syndex\Core\Recurrence\Reanchor;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Recurrence\TakeTurns;
use Syndex\Core\Time\Zone;
use Syndex\Core\Work;

/** A sheet with its dates laid out, as it stands or as it would if something were taken. */
final readonly class SheetPlan
{
    /** So many dates are judged; a longer or open series says how many more there are. */
    public const MOST_DATES = 104;

    /** @param Series $asked what was asked for, before its start was put on the rule */
    private function __construct(public Plan $plan, public Series $asked, public MovedDates $moved, public SheetDates $own, public ?MovedSeries $choice = null) {}

    public static function of(Sheet $sheet): self
    {
        return self::laidOut($sheet, $sheet->series, $sheet->zone, $sheet->moved ?? MovedDates::none());
    }

    /**
     * The bar was let go so far from where it was.
     *
     * @param  'words'|'dates'|null  $as  which is meant where no rule says the moved dates; until one is chosen it stays where it is
     */
    public static function moved(Sheet $sheet, int $shiftMinutes, ?string $as): self
    {
        if ($shiftMinutes === 0) {
            return self::of($sheet);
        }
        $moved = MoveSeries::by($sheet->series, $shiftMinutes);
        $asked = match (true) {
            $moved->isExact(), $as === 'words' => $moved->series,
            $as === 'dates' => $moved->byDates ?? $moved->series,
            default => $sheet->series,
        };

        return self::laidOut($sheet, $asked, $sheet->zone, $sheet->moved ?? MovedDates::none(), $moved->isExact() || $as !== null ? null : $moved);
    }

    /** On another clock, its first date staying where it is. */
    public static function anchoredIn(Sheet $sheet, Zone $zone): self
    {
        return self::laidOut($sheet, Reanchor::to($sheet->series, $zone), $zone, $sheet->moved ?? MovedDates::none());
    }

    /** @param non-empty-list<int> $shiftMinutes for each date by how much it moves */
    public static function byTurns(Sheet $sheet, array $shiftMinutes): self
    {
        $series = SaveSheet::onRule($sheet->series);
        try {
            $turns = TakeTurns::of($series, $sheet->moved ?? MovedDates::none(), $series->expand(Work::usual(), limit: count($shiftMinutes))->walls, $shiftMinutes);
        } catch (CannotEditDate $cannot) {
            throw ValidationException::withMessages(['turns' => __('planning.' . $cannot->why)]);
        }

        return new self(
            Plan::of($turns->series, $turns->series->expand(Work::usual(), limit: self::MOST_DATES), $sheet->durationMinutes, $sheet->zone),
            $turns->series,
            $turns->moved,
            SheetDates::of(array_column($sheet->own, 'date'))->shifted($turns->baseMinutes * 60),
        );
    }

    /**
     * Who of the series is not asked on which dates: those of a list of its own.
     *
     * @return array<string, array<int, true>> by person, what the clock shows at the dates
     */
    public function leftOut(Sheet $sheet): array
    {
        $now = $at = $leftOut = [];
        foreach ($this->own->pairs() as [$was, $is]) {
            $now[$was->seconds] = $is->seconds;
        }
        foreach ($this->moved->pairs() as [$from, $to]) {
            $at[$from->seconds] = $to->seconds;
        }
        foreach ($sheet->own as $own) {
            $named = $now[$own->date->seconds] ?? $own->date->seconds;
            foreach ($own->people === null ? [] : array_diff(array_column($sheet->attendees, 'personId'), array_column($own->people, 'personId')) as $id) {
                $leftOut[$id][$at[$named] ?? $named] = true;
            }
        }

        return $leftOut;
    }

    private static function laidOut(Sheet $sheet, Series $asked, Zone $anchor, MovedDates $moved, ?MovedSeries $choice = null): self
    {
        $series = SaveSheet::onRule($asked);
        // A move of the whole takes them along, where it takes every date as far.
        $by = $asked->start->seconds - $sheet->series->start->seconds;

        return new self(Plan::of($series, $series->expand(Work::usual(), limit: self::MOST_DATES), $sheet->durationMinutes, $anchor), $asked, $moved->shifted($by), SheetDates::of(array_column($sheet->own, 'date'))->shifted($by), $choice);
    }
}
