<?php

declare(strict_types=1);

namespace App\Invitations;

use App\People\Account;
use App\People\NamedPeople;
use App\Planning\Meeting;
use App\Planning\SheetLimits;
use App\Planning\SheetView;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** A meeting right now, and whoever is called into it while it runs. */
final readonly class BeginNowController
{
    public function __construct(private SheetView $view) {}

    public function store(Request $request, BeginNow $beginNow): JsonResponse
    {
        $given = $request->validate(['title' => ['required', 'string', 'max:' . SheetLimits::TITLE], ...NamedPeople::rules()]);
        $meeting = $beginNow(self::account($request), trim((string) $given['title']), NamedPeople::found($given['people']));

        return new JsonResponse($this->view->of($meeting->refresh()), 201);
    }

    public function callIn(Request $request, Meeting $meeting, CallIn $callIn): JsonResponse
    {
        $given = $request->validate(NamedPeople::rules());

        return new JsonResponse($this->view->of($callIn($meeting, NamedPeople::ids($given['people']), self::account($request))->refresh()));
    }

    private static function account(Request $request): Account
    {
        /** @var Account $account */
        $account = $request->user();

        return $account;
    }
}
