<?php

declare(strict_types=1);

namespace App\People;

use App\Access\KnownBrowser;
use App\Access\Network;
use App\Access\SignInPace;
use App\Access\SignInTry;
use App\Failure\SignInFailed;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Hash;
use Illuminate\Validation\ValidationException;

/** Another address for one's own account. */
final readonly class OwnAddressController
{
    public function __construct(private ChangeOwnAddress $change) {}

    public function ask(Request $request, SignInPace $pace): Response
    {
        $request->validate(['email' => ['required', 'string', 'max:254'], 'password' => ['required', 'string', 'max:1000']]);
        /** @var Account $account */
        $account = $request->user();
        $try = SignInTry::of($account->email, Network::of($request), KnownBrowser::of($request));
        $wait = $pace->enter($try);
        if ($wait > 0) {
            throw SignInFailed::tooFast($wait);
        }
        if ($account->password === null || !Hash::check($request->string('password')->toString(), $account->password)) {
            throw ValidationException::withMessages(['password' => __('people.password_wrong')]);
        }
        $pace->rightAfterAll($try);
        $this->change->ask($account, Address::of($request->string('email')->toString(), 'email'));

        return new Response(status: 204);
    }

    public function agree(Request $request): JsonResponse
    {
        $request->validate(['token' => ['required', 'string', 'max:100']]);

        return new JsonResponse($this->change->agree($request->string('token')->toString()));
    }
}
