<?php

declare(strict_types=1);

namespace App\People;

use App\Access\GoodPassword;
use App\Failure\Decide;
use App\Failure\NotNow;
use App\Live\Live;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Syndex\Core\Invitations\MailAddress;

final readonly class PasswordController
{
    public function __construct(private SessionView $view) {}

    /** The answer is the same, and takes as long, whether there is such an account or not. */
    public function forgot(Request $request): Response
    {
        $request->validate(['email' => ['required', 'string', 'max:254']]);
        ResetAsked::dispatch(MailAddress::key($request->string('email')->trim()->toString()));

        return new Response(status: 204);
    }

    public function set(Request $request, Live $live): JsonResponse
    {
        $request->validate(['token' => ['required', 'string', 'max:100'], 'password' => ['required', 'string', 'max:1000', new GoodPassword()]]);
        $account = Decide::on(function () use ($request): Account {
            $token = AccountToken::query()->lockForUpdate()->where('token_hash', hash('sha256', $request->string('token')->toString()))->first();
            $account = $token === null ? null : Account::query()->with('person')->lockForUpdate()->findOrFail($token->account_id);
            if ($token === null || $account === null || $token->used_at !== null || $token->expires_at->isPast() || !$account->isActive()) {
                throw NotNow::linkSpent();
            }
            // One link opens the account once: whatever else was mailed is worthless from here on.
            AccountToken::query()->where('account_id', $account->id)->whereNull('used_at')->update(['used_at' => now()]);
            $account->update(['password' => $request->string('password')->toString()]);
            // Whoever was signed in with the old password is not any more.
            DB::table('sessions')->where('user_id', $account->id)->delete();

            return $account;
        });
        $live->hangUp($account->id);
        Auth::login($account);
        $request->session()->regenerate();

        return new JsonResponse($this->view->of($request));
    }
}
