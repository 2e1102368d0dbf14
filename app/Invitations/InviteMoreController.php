<?php

declare(strict_types=1);

namespace App\Invitations;

use App\People\Account;
use App\People\NamedPeople;
use App\Planning\AttendeeRights;
use App\Planning\Meeting;
use App\Planning\SheetView;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Syndex\Core\ICalendar\AttendeeRole;

/** More people for a sent meeting, asked by whoever may invite to it. Whether they have to come, only its coordinator can say. */
final readonly class InviteMoreController
{
    public function __invoke(Request $request, Meeting $meeting, InviteMore $invite, AttendeeRights $rights, SheetView $view): JsonResponse
    {
        $given = $request->validate(NamedPeople::rules());
        /** @var Account $account */
        $account = $request->user();
        $now = $invite($meeting, NamedPeople::ids($given['people']), AttendeeRole::Optional, $account)->refresh();

        return new JsonResponse($view->of($now, forPlanning: $rights->mayChange($account, $now)));
    }
}
