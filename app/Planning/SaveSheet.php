<?php

declare(strict_types=1);

namespace App\Planning;

use App\Failure\Decide;
use App\Failure\NotNow;
use App\Live\Live;
use App\People\FindWords;
use App\People\SearchKey;
use Illuminate\Validation\ValidationException;
use Syndex\Core\Recurrence\MovedDates;
use Syndex\Core\Recurrence\NoDates;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Work;

/** Keeps a sheet, if it is still the one that was opened. */
final readonly class SaveSheet
{
    /** A series with more dates than this is asked about. */
    public const MANY = 1000;

    public function __construct(private LayDown $layDown, private SheetView $view, private Live $live) {}

    /** @param int $version the version that the browser began from */
    public function __invoke(Meeting $meeting, Sheet $sheet, int $version): Meeting
    {
        $series = self::onRule($sheet->series);

        return Decide::on(function () use ($meeting, $sheet, $series, $version): Meeting {
            $meeting = Meeting::query()->lockForUpdate()->findOrFail($meeting->id);
            if (!$meeting->status->isEditable()) {
                throw NotNow::locked($meeting->status->value);
            }
            if ($meeting->version !== $version) {
                throw NotNow::changedElsewhere($this->view->of($meeting));
            }
            if (!$sheet->manyAgreed && $series->rule?->toText() !== $meeting->rrule) {
                self::refuseMany($series);
            }
            $meeting->update([
                'version' => $version + 1,
                'title' => $sheet->title,
                'purpose' => $sheet->purpose === '' ? null : $sheet->purpose,
                'links' => $sheet->links,
                'host_id' => $sheet->hostId,
                ...MeetingSeries::columns($series, $sheet->moved),
                'zone' => $sheet->zone->id,
                'duration_minutes' => $sheet->durationMinutes,
                'join_mode' => $sheet->joinMode,
                'place' => $sheet->place === '' ? null : $sheet->place,
                'hides_people' => $sheet->hidesPeople,
                'room' => $sheet->room->column(),
                ...$sheet->choices->columns(),
                ...($meeting->status->takesTime() || $meeting->changes_id !== null ? [] : ['shown_at' => ShownAt::first($series, $sheet->zone)]),
            ]);
            if ($meeting->changes_id === null) {
                FindWords::keepMeeting($meeting->id, SearchKey::distinct($sheet->title));
            }
            KeepRows::agenda($meeting, $sheet->agenda);
            KeepRows::attendees($meeting, $sheet->attendees);
            KeepRows::dates($meeting, $this->datesOf($sheet, $series));
            if ($meeting->status->takesTime()) {
                $this->layDown->anew($meeting);
            }
            // A draft concerns only whoever has its sheet open; what takes time concerns every board.
            $this->live->tell([Live::COORDINATION], $meeting->status->takesTime() ? 'meeting' : 'draft', $meeting->id);

            return $meeting;
        });
    }

    /** A start that the rule does not produce is moved onto it. */
    public static function onRule(Series $series): Series
    {
        try {
            $moved = $series->begunAsNamed(Work::usual());
        } catch (NoDates) {
            throw ValidationException::withMessages(['rule' => __('planning.no_dates')]);
        }
        if ($moved->expand(Work::usual(), limit: 1)->starts === []) {
            throw ValidationException::withMessages(['rule' => __($moved->rule?->until === null ? 'planning.no_dates' : 'planning.end_before_start')]);
        }

        return $moved;
    }

    /** @return list<SheetDate> those that are dates of the series still */
    private function datesOf(Sheet $sheet, Series $series): array
    {
        $unmoved = ($sheet->moved ?? MovedDates::none())->within($series)->unmoved($series);
        $byDate = [];
        foreach ($sheet->own as $own) {
            $byDate[$own->date->seconds] = $own;
        }

        return array_map(static fn(array $pair): SheetDate => $byDate[$pair[0]->seconds], SheetDates::of(array_column($byDate, 'date'))->within($unmoved));
    }

    private static function refuseMany(Series $series): void
    {
        if ($series->rule?->isOpen() !== false) {
            return;
        }
        $found = $series->expand(Work::usual());
        if ($found->count() > self::MANY) {
            throw NotNow::manyDates($found->count(), $found->complete);
        }
    }
}
