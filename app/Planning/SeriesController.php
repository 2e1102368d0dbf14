<?php

declare(strict_types=1);

namespace App\Planning;

use App\Access\KnownZone;
use App\Failure\NotTaken;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Syndex\Core\Recurrence\Repeats;
use Syndex\Core\Recurrence\RuleParts;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Sentence\Grammar;
use Syndex\Core\Sentence\NotUnderstood;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\Work;

/** What a way of repeating comes to, before it is taken; and what a typed sentence means. Nothing is kept. */
final readonly class SeriesController
{
    /** So many of the next dates are named. */
    private const NEXT = 10;

    public function __construct(private SeriesView $view, private ZoneData $zones) {}

    public function look(EditSeriesRequest $request, Grammar $grammar): JsonResponse
    {
        return new JsonResponse($request->withinCalendar(fn(): array => $this->looked($request, $grammar)));
    }

    public function sentence(Request $request, Grammar $grammar): JsonResponse
    {
        $request->validate(['text' => ['required', 'string', 'max:500'], 'zone' => ['required', 'string', new KnownZone($this->zones)], 'time' => ['sometimes', 'date_format:Y-m-d\TH:i:s'], 'ownDates' => ['sometimes', 'array', 'list', 'max:' . SheetLimits::OWN_DATES], 'ownDates.*' => ['date_format:Y-m-d\TH:i:s']]);
        $zone = $this->zones->zone($request->string('zone')->toString());
        $today = WallTime::parseDate(WallTime::ofSeconds($zone->toWall(now()->getTimestamp()))->formatDate());
        try {
            $read = $grammar->read($request->string('text')->toString(), $today, $zone->id, $request->has('time') ? WallTime::parse($request->string('time')->toString())->secondOfDay() : null);
        } catch (NotUnderstood $not) {
            throw NotTaken::sentence(SentenceWords::of($not), $not->corrected);
        }
        $series = SaveSheet::onRule($read->series);

        return new JsonResponse([
            ...$this->view->of($series, $read->durationMinutes, own: array_map(static fn(mixed $date): WallTime => WallTime::parse((string) $date), array_values($request->array('ownDates')))),
            'zone' => $read->series->zone->id ?? $zone->id,
            'allDay' => $series->allDay,
            'durationMinutes' => $read->durationMinutes,
            'understood' => $read->understood,
            'usualTime' => $read->isUsualTime,
        ]);
    }

    /** What editors of rules offer: which parts go with which frequency, and the rule that a single meeting begins to repeat by. */
    public function offered(Request $request): JsonResponse
    {
        $request->validate(['start' => ['required', 'date_format:Y-m-d\TH:i:s']]);
        $start = WallTime::parse($request->string('start')->toString());

        return new JsonResponse([
            'frequencies' => array_keys(RuleParts::LISTS),
            'offered' => RuleParts::OFFERED,
            'lists' => RuleParts::LISTS,
            'numbered' => RuleParts::NUMBERED,
            'usual' => RuleWire::of(Repeats::usual($start), $start),
        ]);
    }

    /** @return array<string, mixed> */
    private function looked(EditSeriesRequest $request, Grammar $grammar): array
    {
        $series = SaveSheet::onRule($request->edited($this->zones));
        $isOpen = $series->rule?->isOpen() ?? false;
        $found = $series->expand(Work::usual(), limit: $isOpen ? self::NEXT : Series::MOST);

        return [
            ...$this->view->of($series, $request->durationMinutes(), $request->moved(), $request->ownDates()),
            'parts' => $series->rule === null ? null : RuleWire::byParts($series->rule),
            'odd' => $grammar->oddParts($series),
            'next' => array_map(static fn(int $wall): string => WallTime::ofSeconds($wall)->format(), array_slice($found->walls, 0, self::NEXT)),
            'dates' => $isOpen ? null : $found->count(),
            'complete' => $isOpen || $found->complete,
            'many' => !$isOpen && $found->count() > SaveSheet::MANY,
        ];
    }
}
