<?php

declare(strict_types=1);

namespace App\Invitations;

use App\Live\Live;
use App\People\Account;
use App\People\Person;
use App\People\PersonResource;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The end of an entry: made one with another, or forgotten. */
final readonly class GuestEndController
{
    public function __construct(private Live $live) {}

    public function merge(Request $request, Person $person, MergePeople $merge): JsonResponse
    {
        $request->validate(['into' => ['required', 'string', 'max:26', 'exists:people,id']]);
        $stays = $merge($person, Person::query()->findOrFail($request->string('into')->toString()));
        $this->live->tell([Live::COORDINATION], 'person', $stays->id);

        return new JsonResponse((new PersonResource($stays))->toArray($request));
    }

    public function forget(Request $request, Person $person, ForgetPerson $forget): Response
    {
        /** @var Account $account */
        $account = $request->user();
        $forget($person, $account);
        $this->live->tell([Live::COORDINATION], 'person', $person->id);

        return new Response(status: 204);
    }
}
