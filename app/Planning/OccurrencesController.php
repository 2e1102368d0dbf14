<?php

declare(strict_types=1);

namespace App\Planning;

use App\People\Account;
use App\People\ViewerClock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** The dates of one meeting, as laid down. */
final readonly class OccurrencesController
{
    public function __invoke(Request $request, Meeting $meeting, Visible $visible, ViewerClock $clock): JsonResponse
    {
        /** @var Account $account */
        $account = $request->user();
        $visible->orNotFound($account, $meeting);
        $meeting->load(['attendees', 'dates.attendees']);
        $found = $meeting->occurrences()->limit(400)->get();
        $last = $found->last();

        return new JsonResponse([
            'dates' => $found->filter(static fn(Occurrence $o): bool => $account->role->plans() || DateAsPlanned::of($meeting, $o->date_local)->asks($account->person_id))->values()->map(static fn(Occurrence $o): array => [
                'date' => $o->date_local->format('Y-m-d\TH:i:s'),
                'own' => self::own($meeting, $o),
                'local' => $o->starts_local->format('Y-m-d\TH:i:s'),
                'ownLocal' => (string) $clock->local($o->starts_at),
                'startsAt' => $o->starts_at->toIso8601ZuluString(),
                'endsAt' => $o->ends_at->toIso8601ZuluString(),
                'over' => $o->ends_at->isPast(),
            ])->all(),
            'laidUntil' => $meeting->laid_until_on?->format('Y-m-d'),
            'more' => $last !== null && ($meeting->last_ends_at === null || $meeting->last_ends_at->greaterThan($last->ends_at)),
        ]);
    }

    /** @return ?array{title: ?string, minutes: ?int, place: ?string, people: ?int} what a date has of its own, and how many are asked to it; null: nothing */
    private static function own(Meeting $meeting, Occurrence $occurrence): ?array
    {
        $own = $meeting->dates->first(static fn(OwnDate $d): bool => $d->date()->seconds === $occurrence->date_local->getTimestamp());

        return $own === null ? null : ['title' => $own->title, 'minutes' => $own->duration_minutes, 'place' => $own->place, 'people' => $own->own_people ? $own->attendees->count() : null];
    }
}
