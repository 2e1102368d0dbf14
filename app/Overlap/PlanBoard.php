<?php

declare(strict_types=1);

namespace App\Overlap;

use App\People\Absence;
use App\People\AbsenceResource;
use App\People\Person;
use App\People\ViewerClock;
use App\Planning\SeriesView;
use App\Planning\Sheet;
use App\Planning\TeamsOnSheet;
use Syndex\Core\Overlap\BoardBuilder;
use Syndex\Core\Overlap\Participant;
use Syndex\Core\Overlap\Plan;
use Syndex\Core\Recurrence\Expansion;
use Syndex\Core\Recurrence\MovedSeries;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Sentence\Grammar;
use Syndex\Core\Sentence\SentencePiece;
use Syndex\Core\Shifts\AnchorAdvice;
use Syndex\Core\Shifts\AnchorMoves;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\IntervalSet;
use Syndex\Core\Time\PlaceName;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\Zone;

/** Computes the board for a sheet as it stands, kept or not. */
final readonly class PlanBoard
{
    private const ANCHORS_NAMED = 3;

    private const SKIPPED_NAMED = 5;

    public function __construct(private SheetPeople $people, private Absences $absences, private CalendarBusy $calendars, private TeamsOnSheet $teams, private ViewerClock $clock, private SeriesView $seriesView, private Grammar $grammar) {}

    /** @return array<string, mixed> */
    public function __invoke(Sheet $sheet, SheetPlan $laid, int $index, ?string $meetingId): array
    {
        $plan = $laid->plan;
        $series = $plan->series;
        $people = $this->people->of($sheet, BoardBuilder::looksAt($plan), $meetingId, $laid->leftOut($sheet), BoardBuilder::looksAtOptional($plan));
        $board = BoardBuilder::build($plan, $people, $index);

        return [
            ...$this->seriesView->of($series, $sheet->durationMinutes, $laid->moved, $laid->own),
            'choice' => $laid->choice === null ? null : $this->choice($laid->choice, $sheet->durationMinutes),
            'skipped' => self::skipped($plan->dates, $series, $plan->anchor),
            'past' => count(array_filter($plan->dates->starts, static fn(int $start): bool => $start < now()->getTimestamp())),
            'movedFrom' => $series->start->seconds === $laid->asked->start->seconds || $plan->anchor->id !== $sheet->zone->id ? null : $laid->asked->start->format(),
            'zone' => $plan->anchor->id,
            'zoneCity' => PlaceName::of($plan->anchor->id),
            'away' => $this->away($sheet, $plan->dates),
            'teams' => $this->teams->of($sheet->attendees),
            'calendars' => $this->age(array_column($sheet->attendees, 'personId')),
            'anchors' => $this->anchors($plan, $people),
            'complete' => $plan->dates->complete,
            'open' => $series->rule?->isOpen() ?? false,
            'board' => BoardResource::of($board),
        ];
    }

    /** @return array{words: string, differ: int, of: int, dates: bool} what the moved words would mean, and whether single dates can say it instead */
    private function choice(MovedSeries $moved, int $durationMinutes): array
    {
        return [
            'words' => SentencePiece::join($this->grammar->pieces($moved->series, $durationMinutes)),
            'differ' => $moved->differ,
            'of' => $moved->of,
            'dates' => $moved->byDates !== null,
        ];
    }

    /** @return list<array{date: string, reads: string}> dates whose time the anchor's clock skips: what the series says, what the clock will show */
    public static function skipped(Expansion $dates, Series $series, Zone $anchor): array
    {
        $skipped = [];
        foreach ($series->allDay ? [] : $dates->walls as $at => $wall) {
            $reads = $anchor->toWall($dates->starts[$at]);
            if ($reads !== $wall && count($skipped) < self::SKIPPED_NAMED) {
                $skipped[] = ['date' => WallTime::ofSeconds($wall)->format(), 'reads' => WallTime::ofSeconds($reads)->format()];
            }
        }

        return $skipped;
    }

    /**
     * @param  list<string>  $ids
     * @return array{count: int, oldestLocal: ?string, failing: list<string>, stale: list<string>}
     */
    private function age(array $ids): array
    {
        $age = CalendarBusy::age($this->calendars->calendars($ids));

        return ['count' => $age['count'], 'oldestLocal' => $this->clock->local($age['oldest']), 'failing' => $age['failing'], 'stale' => $age['stale']];
    }

    /**
     * Who is away while the dates run, and who covers for them.
     *
     * @return list<array<string, mixed>>
     */
    private function away(Sheet $sheet, Expansion $dates): array
    {
        if ($dates->starts === []) {
            return [];
        }
        $run = Interval::between($dates->starts[0], $dates->starts[count($dates->starts) - 1] + $sheet->durationMinutes * 60);
        $slots = IntervalSet::of(array_map(static fn(int $start): Interval => Interval::lasting($start, $sheet->durationMinutes), $dates->starts));
        $during = $this->absences->during(array_column($sheet->attendees, 'personId'), $run);
        $people = Person::query()->whereIn('id', $during->pluck('person_id'))->get()->keyBy('id');
        $hit = $during->filter(fn(Absence $a): bool => $slots->overlaps($this->absences->interval($a, $people->get($a->person_id))));

        return array_values($hit->map(static fn(Absence $a): array => AbsenceResource::of($a, false))->all());
    }

    /**
     * @param list<Participant> $people
     * @return list<array{zone: string, city: string, people: int}> the anchor as it is, then those that move fewer people
     */
    private function anchors(Plan $plan, array $people): array
    {
        if ($plan->series->allDay || $plan->dates->count() < 2) {
            return [];
        }
        $zones = array_values(array_filter(array_map(static fn(Participant $p): ?Zone => $p->zone?->placeAt($plan->dates->starts[0]), $people)));
        $moves = AnchorAdvice::moves($plan->dates, $plan->anchor, $zones);
        $better = array_filter($moves, static fn(AnchorMoves $m): bool => $m->people < $moves[0]->people);

        return array_map(
            static fn(AnchorMoves $m): array => ['zone' => $m->zoneId, 'city' => PlaceName::of($m->zoneId), 'people' => $m->people],
            [$moves[0], ...array_slice(array_values($better), 0, self::ANCHORS_NAMED)],
        );
    }
}
