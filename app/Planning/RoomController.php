<?php

declare(strict_types=1);

namespace App\Planning;

use App\People\Account;
use Illuminate\Http\JsonResponse;
use Syndex\Core\Time\ZoneData;

/** What the settings of a room do to each who is invited, before anything is sent. */
final class RoomController
{
    public function __invoke(RoomRequest $request, ZoneData $zones, RoomView $view): JsonResponse
    {
        /** @var Account $account */
        $account = $request->user();
        $room = $view->of($request->sheet($zones), $request->hostComes(), $request->meetingId());

        return new JsonResponse($account->role->plans() ? $room : RoomView::ofThisMeeting($room));
    }
}
