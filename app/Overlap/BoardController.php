<?php

declare(strict_types=1);

namespace App\Overlap;

use App\People\Account;
use Illuminate\Http\JsonResponse;
use Syndex\Core\Time\ZoneData;

/** The board of a sheet. What others have is named to whoever plans alone: attendees who may change a meeting see that somebody is busy, not with what. */
final class BoardController
{
    public function __invoke(BoardRequest $request, PlanBoard $planBoard, ZoneData $zones): JsonResponse
    {
        return new JsonResponse($request->withinCalendar(function () use ($request, $planBoard, $zones): array {
            $sheet = $request->sheet($zones);
            /** @var Account $account */
            $account = $request->user();
            $planned = $planBoard($sheet, $request->laidOut($sheet, $zones), $request->integer('index'), $request->meetingId());

            return $account->role->plans() ? $planned : [...$planned, 'board' => BoardResource::withoutTitles($planned['board'])];
        }));
    }
}
