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
        $found = $meeting->occurrences()->limit(400)->get();
        $last = $found->last();

        return new JsonResponse([
            'dates' => $found->map(static fn(Occurrence $o): array => [
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
}
