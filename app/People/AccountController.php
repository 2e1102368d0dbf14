<?php

declare(strict_types=1);

namespace App\People;

use App\Access\GoodPassword;
use App\Access\KnownZone;
use App\Failure\Decide;
use App\Failure\NotNow;
use App\Live\Live;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Syndex\Core\Time\ZoneData;

final readonly class AccountController
{
    public function __construct(private IssueLink $issue, private SavePerson $savePerson, private Live $live) {}

    /** The very first account, an administrator, while there is none. */
    public function first(Request $request, SessionView $view, ZoneData $zones): JsonResponse
    {
        $request->validate([
            'name' => ['required', 'string', 'max:200'],
            'email' => ['required', 'string', 'max:254'],
            'password' => ['required', 'string', 'max:1000', new GoodPassword()],
            'zone' => ['required', 'string', new KnownZone($zones)],
        ]);
        $account = Decide::on(function () use ($request): Account {
            if (Account::query()->lockForUpdate()->exists()) {
                throw NotNow::notEmpty();
            }
            $person = ($this->savePerson)(new Person(), ['kind' => PersonKind::Colleague, 'name' => $request->string('name')->trim()->toString(), 'email' => Address::of($request->string('email')->toString(), 'email'), 'zone' => $request->string('zone')->toString()]);

            return Account::query()->create(['person_id' => $person->id, 'email' => $person->email_key, 'password' => $request->string('password')->toString(), 'role' => Role::Administrator]);
        });
        Auth::login($account);
        $request->session()->regenerate();

        return new JsonResponse($view->of($request), 201);
    }

    /** Gives a colleague an account and mails them the link to set a password. */
    public function invite(Request $request): JsonResponse
    {
        $request->validate(['personId' => ['required', 'string', 'exists:people,id'], 'role' => ['required', 'string', Rule::enum(Role::class)]]);
        $account = Decide::on(function () use ($request): Account {
            $person = Person::query()->lockForUpdate()->findOrFail($request->string('personId')->toString());
            if (Account::query()->where('person_id', $person->id)->exists()) {
                throw ValidationException::withMessages(['personId' => __('people.account_exists')]);
            }
            $person->update(['kind' => PersonKind::Colleague]);
            $account = Account::query()->create(['person_id' => $person->id, 'email' => $person->email_key, 'role' => $request->string('role')->toString()]);
            $this->issue->invitation($account->load('person'));

            return $account;
        });

        return new JsonResponse(['id' => $account->id], 201);
    }

    /** Another role, or no longer active, or active again. */
    public function update(Request $request, Account $account): JsonResponse
    {
        $request->validate(['role' => ['sometimes', 'string', Rule::enum(Role::class)], 'active' => ['sometimes', 'boolean']]);
        $account = Decide::on(function () use ($request, $account): Account {
            $others = Account::query()->where('role', Role::Administrator)->whereNull('deactivated_at')->where('id', '!=', $account->id)->lockForUpdate()->exists();
            $account = Account::query()->lockForUpdate()->findOrFail($account->id);
            $active = $request->has('active') ? $request->boolean('active') : $account->isActive();
            $role = $request->has('role') ? Role::from($request->string('role')->toString()) : $account->role;
            if (!$others && $account->role === Role::Administrator && (!$active || $role !== Role::Administrator)) {
                throw NotNow::lastAdministrator();
            }
            $account->update(['role' => $role, 'deactivated_at' => $active ? null : ($account->deactivated_at ?? now())]);
            if (!$active) {
                DB::table('sessions')->where('user_id', $account->id)->delete();
                AccountToken::query()->where('account_id', $account->id)->delete();
            }

            return $account;
        });
        // What they listened to, they listen to no more unless they still may.
        $this->live->hangUp($account->id);

        return new JsonResponse(['id' => $account->id, 'role' => $account->role->value, 'active' => $account->isActive()]);
    }
}
