<?php

declare(strict_types=1);

namespace App\Overlap;

use Illuminate\Http\JsonResponse;
use Syndex\Core\Time\ZoneData;

final class TimesController
{
    public function __invoke(BoardRequest $request, SearchTimes $search, ZoneData $zones): JsonResponse
    {
        $request->validate(['anyDay' => ['sometimes', 'boolean']]);

        return new JsonResponse($request->withinCalendar(fn(): array => $search($request->sheet($zones), $request->meetingId(), $request->boolean('anyDay'))));
    }
}
