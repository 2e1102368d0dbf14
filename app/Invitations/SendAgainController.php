<?php

declare(strict_types=1);

namespace App\Invitations;

use App\People\Account;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** What did not arrive goes out again: one mail, or all. */
final readonly class SendAgainController
{
    public function __construct(private SendAgain $again) {}

    public function one(Request $request, Dispatch $dispatch): Response
    {
        $this->again->one($dispatch, self::by($request));

        return new Response(status: 204);
    }

    public function all(Request $request): JsonResponse
    {
        $request->validate(['meeting' => ['nullable', 'string', 'max:26']]);

        return new JsonResponse(['count' => $this->again->all($request->filled('meeting') ? $request->string('meeting')->toString() : null, self::by($request))]);
    }

    private static function by(Request $request): Account
    {
        /** @var Account $account */
        $account = $request->user();

        return $account;
    }
}
