<?php

declare(strict_types=1);

namespace App\Day;

use App\Live\Live;
use App\Planning\ClockMove;
use App\Planning\Meeting;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** Whose time newer zone data moved: noted by somebody who plans, or not after all. */
final class ClockMoveController
{
    public function __invoke(Request $request, Meeting $meeting, Live $live): Response
    {
        $request->validate(['noted' => ['required', 'boolean'], 'zoneData' => ['required', 'string', 'max:20']]);
        ClockMove::query()->where('meeting_id', $meeting->id)->where('zone_data', $request->string('zoneData')->toString())
            ->update(['noted_at' => $request->boolean('noted') ? now() : null]);
        $live->tell([Live::COORDINATION], 'today', $meeting->id);

        return new Response(status: 204);
    }
}
