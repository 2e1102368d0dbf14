<?php

declare(strict_types=1);

namespace App\Offers;

use App\HouseRules\HouseRules;
use App\People\Account;
use App\People\Person;
use App\Planning\Meeting;
use App\Planning\SheetView;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Syndex\Core\Time\ZoneData;

/** The time-offer round of a meeting that is being planned. */
final readonly class OfferController
{
    public function __construct(private OfferView $view, private HouseRules $rules) {}

    public function show(Meeting $meeting): JsonResponse
    {
        return new JsonResponse(['offer' => $this->view->of($meeting)]);
    }

    public function store(#[CurrentUser] Account $account, OfferRequest $request, Meeting $meeting, OpenOffer $open, ZoneData $zones): JsonResponse
    {
        $zone = $zones->zone($meeting->zone);
        $starts = $request->starts($zone);
        assert($starts !== []);
        $open($meeting, $starts, $request->guests(), $request->until($zone, $starts), $request->words(), $account);

        return new JsonResponse(['offer' => $this->view->of($meeting), 'holdSeconds' => $this->rules->holdSeconds()], 201);
    }

    /** A guest's link once more. */
    public function again(Meeting $meeting, Person $person, AskAgain $again): JsonResponse
    {
        $again($meeting, $person);

        return new JsonResponse(['offer' => $this->view->of($meeting)]);
    }

    public function take(#[CurrentUser] Account $account, Request $request, Meeting $meeting, TakeOffered $take, SheetView $sheets): JsonResponse
    {
        $request->validate(['time' => ['required', 'integer'], 'version' => ['required', 'integer']]);
        $sent = $take($meeting, $request->integer('time'), $request->integer('version'), $account);

        return new JsonResponse([...$sheets->of($sent->refresh()), 'holdSeconds' => $this->rules->holdSeconds()]);
    }

    public function destroy(Meeting $meeting, WithdrawOffer $withdraw): Response
    {
        $withdraw($meeting);

        return new Response(status: 204);
    }
}
