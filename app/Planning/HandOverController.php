<?php

declare(strict_types=1);

namespace App\Planning;

use App\Failure\Decide;
use App\Joining\SettleRoom;
use App\People\Account;
use App\People\LeaveHouse;
use App\People\Person;
use App\People\PersonKind;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\ValidationException;

/** What somebody hosts and coordinates goes to somebody else, while they stay or as they leave. */
final readonly class HandOverController
{
    public function __construct(private HandOver $handOver) {}

    public function show(Person $person): JsonResponse
    {
        return new JsonResponse($this->handOver->counts($person));
    }

    public function back(Person $person, LeaveHouse $leave): Response
    {
        $leave->back($person);

        return new Response(status: 204);
    }

    public function store(Request $request, Person $person, LeaveHouse $leave): JsonResponse
    {
        $request->validate(['toId' => ['present', 'nullable', 'string', 'max:26', 'exists:people,id'], 'leaves' => ['required', 'boolean:strict']]);
        /** @var Account $account */
        $account = $request->user();
        $to = $request->input('toId') === null ? null : Person::query()->findOrFail($request->string('toId')->toString());
        if ($person->kind !== PersonKind::Colleague || $to?->id === $person->id || $to?->kind === PersonKind::Guest || $to?->left_at !== null) {
            throw ValidationException::withMessages(['toId' => __('people.hand_to')]);
        }
        $leaves = $request->boolean('leaves');

        return new JsonResponse(Decide::on(function () use ($person, $to, $leaves, $account, $leave): array {
            $done = ($this->handOver)($person, $to, $leaves, $account);
            if ($leaves) {
                $leave($person, $account);
                // It is closed as soon as nothing is held in it any more.
                SettleRoom::dispatch($person->id)->afterCommit();
            }

            return $done;
        }));
    }
}
