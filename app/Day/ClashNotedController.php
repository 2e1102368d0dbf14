<?php

declare(strict_types=1);

namespace App\Day;

use App\Live\Live;
use App\Planning\Meeting;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** That somebody has something else at a date is noted by somebody who plans, or not after all. */
final class ClashNotedController
{
    public function __invoke(Request $request, Meeting $meeting, ClashesSince $clashes, Live $live): Response
    {
        $request->validate(['noted' => ['required', 'boolean'], 'personId' => ['required', 'string', 'max:26']]);
        $clashes->note($meeting, $request->string('personId')->toString(), $request->boolean('noted'));
        $live->tell([Live::COORDINATION], 'today', $meeting->id);

        return new Response(status: 204);
    }
}
