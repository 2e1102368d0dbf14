<?php

declare(strict_types=1);

namespace App\Overlap;

use Illuminate\Http\JsonResponse;
use Syndex\Core\Time\ZoneData;

final class BoardController
{
    public function __invoke(BoardRequest $request, PlanBoard $planBoard, ZoneData $zones): JsonResponse
    {
        return new JsonResponse($request->withinCalendar(function () use ($request, $planBoard, $zones): array {
            $sheet = $request->sheet($zones);

            return $planBoard($sheet, $request->laidOut($sheet, $zones), $request->integer('index'), $request->meetingId());
        }));
    }
}
