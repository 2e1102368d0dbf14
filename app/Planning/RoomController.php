<?php

declare(strict_types=1);

namespace App\Planning;

use Illuminate\Http\JsonResponse;
use Syndex\Core\Time\ZoneData;

/** What the settings of a room do to each who is invited, before anything is sent. */
final class RoomController
{
    public function __invoke(RoomRequest $request, ZoneData $zones, RoomView $view): JsonResponse
    {
        return new JsonResponse($view->of($request->sheet($zones), $request->hostComes(), $request->meetingId()));
    }
}
