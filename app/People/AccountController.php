<?php

declare(strict_types=1);

namespace App\People;

use App\Failure\NotNow;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Rules\Password;
use Illuminate\Validation\ValidationException;
use Syndex\Core\Invitations\MailAddress;
use Syndex\Core\Time\ZoneData;

final readonly class AccountController
{
    public function __construct(private IssueLink $issue, private SavePerson $savePerson) {}

    /** The very first account, an administrator, while there is none. */
    public function first(Request $request, SessionView $view, ZoneData $zones): JsonResponse
    {
        $request->validate([
            'name' => ['required', 'string', 'max:200'],
            'email' => ['required', 'string', 'max:254'],
            'password' => ['required', 'string', 'max:1000', Password::min(10)],
            'zone' => ['required', 'string', Rule::in($zones->ids())],
        ], ['password.min' => __('people.password_short')]);
        $account = DB::transaction(function () use ($request): Account {
            if (Account::query()->lockForUpdate()->exists()) {
                throw NotNow::notEmpty();
            }
            $person = ($this->savePerson)(new Person(), ['kind' => PersonKind::Colleague, 'name' => $request->string('name')->trim()->toString(), 'email' => $this->address($request), 'zone' => $request->string('zone')->toString()]);

            return Account::query()->create(['person_id' => $person->id, 'email' => mb_strtolower($person->email), 'password' => $request->string('password')->toString(), 'role' => Role::Administrator]);
        });
        Auth::login($account);
        $request->session()->regenerate();

        return new JsonResponse($view->of($request), 201);
    }

    /** Gives a colleague an account and mails them the link to set a password. */
    public function invite(Request $request): JsonResponse
    {
        $request->validate(['personId' => ['required', 'string', 'exists:people,id'], 'role' => ['required', Rule::enum(Role::class)]]);
        $person = Person::query()->with('account')->findOrFail($request->string('personId')->toString());
        if ($person->account !== null) {
            throw ValidationException::withMessages(['personId' => __('people.account_exists')]);
        }
        $account = DB::transaction(function () use ($request, $person): Account {
            $person->update(['kind' => PersonKind::Colleague]);
            $account = Account::query()->create(['person_id' => $person->id, 'email' => mb_strtolower($person->email), 'role' => $request->string('role')->toString()]);
            $this->issue->invitation($account->load('person'));

            return $account;
        });

        return new JsonResponse(['id' => $account->id], 201);
    }

    /** Another role, or no longer active, or active again. */
    public function update(Request $request, Account $account): JsonResponse
    {
        $request->validate(['role' => ['sometimes', Rule::enum(Role::class)], 'active' => ['sometimes', 'boolean']]);
        DB::transaction(function () use ($request, $account): void {
            $active = $request->has('active') ? $request->boolean('active') : $account->isActive();
            $role = $request->has('role') ? Role::from($request->string('role')->toString()) : $account->role;
            $others = Account::query()->where('role', Role::Administrator)->whereNull('deactivated_at')->where('id', '!=', $account->id)->lockForUpdate()->exists();
            if (!$others && $account->role === Role::Administrator && (!$active || $role !== Role::Administrator)) {
                throw NotNow::lastAdministrator();
            }
            $account->update(['role' => $role, 'deactivated_at' => $active ? null : ($account->deactivated_at ?? now())]);
            if (!$active) {
                DB::table('sessions')->where('user_id', $account->id)->delete();
            }
        });

        return new JsonResponse(['id' => $account->id, 'role' => $account->role->value, 'active' => $account->isActive()]);
    }

    private function address(Request $request): string
    {
        $check = MailAddress::check($request->string('email')->toString());

        return $check->address ?? throw ValidationException::withMessages(['email' => __('people.address_' . $check->problem)]);
    }
}
