<?php

declare(strict_types=1);

namespace App\People;

use App\Failure\SignInFailed;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Hash;

final readonly class SessionController
{
    public function __construct(private SessionView $view) {}

    public function show(Request $request): JsonResponse
    {
        return new JsonResponse($this->view->of($request));
    }

    public function store(Request $request): JsonResponse
    {
        $request->validate(['email' => ['required', 'string', 'max:254'], 'password' => ['required', 'string', 'max:1000']]);
        $account = Account::query()->with('person')->where('email', mb_strtolower($request->string('email')->trim()->toString()))->first();
        // Hashes a password in any case, so that the time taken does not tell which addresses have accounts.
        $right = Hash::check($request->string('password')->toString(), $account->password ?? $this->nobodysHash());
        if ($account === null || !$right || $account->password === null || !$account->isActive()) {
            throw SignInFailed::wrong();
        }
        if ($account->demo && !in_array($request->ip(), ['127.0.0.1', '::1'], true)) {
            throw SignInFailed::demoElsewhere();
        }
        Auth::login($account);
        $request->session()->regenerate();
        $account->forceFill(['signed_in_at' => now()])->save();

        return new JsonResponse($this->view->of($request));
    }

    public function destroy(Request $request): Response
    {
        Auth::guard('web')->logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return new Response(status: 204);
    }

    public function settings(Request $request): JsonResponse
    {
        $values = $request->validate([
            'shortcuts' => ['sometimes', 'boolean'],
            'clocks' => ['sometimes', 'array', 'max:4'],
            'clocks.*' => ['string', 'timezone:all_with_bc'],
            'zone' => ['sometimes', 'string', 'timezone:all_with_bc'],
        ]);
        /** @var Account $account */
        $account = $request->user();
        $zone = $values['zone'] ?? null;
        unset($values['zone']);
        $account->update(['settings' => [...($account->settings ?? []), ...$values]]);
        if (is_string($zone)) {
            $account->person->update(['zone' => $zone]);
        }

        return new JsonResponse($this->view->of($request));
    }

    private function nobodysHash(): string
    {
        static $hash = null;

        return $hash ??= Hash::make('nobody has this password');
    }
}
