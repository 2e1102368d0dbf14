<?php

declare(strict_types=1);

namespace App\Day;

use App\Live\Live;
use App\People\Absence;
use App\Planning\Meeting;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** That somebody will be away from a meeting is noted by somebody who plans, or not after all. */
final class AwayNotedController
{
    public function __invoke(Request $request, Meeting $meeting, Absence $absence, AwaySince $away, Live $live): Response
    {
        $request->validate(['noted' => ['required', 'boolean']]);
        $away->note($meeting, $absence, $request->boolean('noted'));
        $live->tell([Live::COORDINATION], 'today', $meeting->id);

        return new Response(status: 204);
    }
}
