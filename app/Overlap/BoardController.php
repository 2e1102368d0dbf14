<?php

declare(strict_types=1);

namespace App\Overlap;

use App\Planning\Meeting;
use Illuminate\Http\JsonResponse;
use Syndex\Core\Time\ZoneData;

final class BoardController
{
    public function __invoke(BoardRequest $request, PlanBoard $planBoard, ZoneData $zones): JsonResponse
    {
        $id = $request->input('meetingId');

        return new JsonResponse($request->withinCalendar(fn(): array => $planBoard($request->sheet($zones), $request->integer('index'), is_string($id) ? Meeting::query()->find($id, ['id', 'changes_id'])?->known_as : null, $request->integer('shiftMinutes'), $request->anchor($zones), $request->moveAs())));
    }
}
