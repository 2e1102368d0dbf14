<?php

declare(strict_types=1);

namespace App\People;

use App\Failure\NotNow;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rules\Password;

final readonly class PasswordController
{
    public function __construct(private SessionView $view) {}

    /** The answer is the same whether there is such an account or not. */
    public function forgot(Request $request, IssueLink $issue): Response
    {
        $request->validate(['email' => ['required', 'string', 'max:254']]);
        $account = Account::query()->with('person')->where('email', mb_strtolower($request->string('email')->trim()->toString()))->whereNull('deactivated_at')->first();
        if ($account !== null) {
            DB::transaction(fn() => $issue->reset($account));
        }

        return new Response(status: 204);
    }

    public function set(Request $request): JsonResponse
    {
        $request->validate(['token' => ['required', 'string', 'max:100'], 'password' => ['required', 'string', 'max:1000', Password::min(10)]], ['password.min' => __('people.password_short')]);
        $account = DB::transaction(function () use ($request): Account {
            $token = AccountToken::query()->with('account.person')->lockForUpdate()->where('token_hash', hash('sha256', $request->string('token')->toString()))->first();
            if ($token === null || $token->used_at !== null || $token->expires_at->isPast() || !$token->account->isActive()) {
                throw NotNow::linkSpent();
            }
            $token->update(['used_at' => now()]);
            $token->account->update(['password' => $request->string('password')->toString()]);
            // Whoever was signed in with the old password is not any more.
            DB::table('sessions')->where('user_id', $token->account->id)->delete();

            return $token->account;
        });
        Auth::login($account);
        $request->session()->regenerate();

        return new JsonResponse($this->view->of($request));
    }
}
