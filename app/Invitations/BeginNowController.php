<?php

declare(strict_types=1);

namespace App\Invitations;

use App\People\Account;
use App\People\Person;
use App\Planning\Meeting;
use App\Planning\SheetLimits;
use App\Planning\SheetView;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/** A meeting right now, and whoever is called into it while it runs. */
final readonly class BeginNowController
{
    private const MOST = 100;

    public function __construct(private SheetView $view) {}

    public function store(Request $request, BeginNow $beginNow): JsonResponse
    {
        $given = $request->validate(['title' => ['required', 'string', 'max:' . SheetLimits::TITLE], ...self::people()]);
        $meeting = $beginNow(self::account($request), trim((string) $given['title']), self::found($given['people']));

        return new JsonResponse($this->view->of($meeting->refresh()), 201);
    }

    public function callIn(Request $request, Meeting $meeting, CallIn $callIn): JsonResponse
    {
        $given = $request->validate(self::people());
        $people = array_map(static fn(Person $p): string => $p->id, self::found($given['people']));

        return new JsonResponse($this->view->of($callIn($meeting, $people, self::account($request))->refresh()));
    }

    /** @return array<string, list<mixed>> */
    private static function people(): array
    {
        return ['people' => ['required', 'array', 'list', 'min:1', 'max:' . self::MOST], 'people.*' => ['bail', 'required', 'string', 'max:26', 'distinct']];
    }

    /**
     * @param  list<string>  $ids
     * @return list<Person> in the order asked
     */
    private static function found(array $ids): array
    {
        $found = Person::query()->whereIn('id', $ids)->whereNull('left_at')->get()->keyBy('id');

        return array_map(static fn(string $id, int $at): Person => $found->get($id) ?? throw ValidationException::withMessages(["people.$at" => __('planning.unknown_person')]), $ids, array_keys($ids));
    }

    private static function account(Request $request): Account
    {
        /** @var Account $account */
        $account = $request->user();

        return $account;
    }
}
