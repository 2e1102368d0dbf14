<?php

declare(strict_types=1);

namespace App\Planning;

use App\Live\Live;
use App\People\Account;
use App\People\Team;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;

final readonly class BlueprintController
{
    public function __construct(private Blueprints $blueprints, private BlueprintView $view, private Live $live) {}

    public function index(Request $request): JsonResponse
    {
        $account = self::account($request);

        return new JsonResponse([
            'blueprints' => array_map(fn(Blueprint $b): array => $this->view->of($b, $account), array_values($this->blueprints->visibleTo($account)->with(['account.person', 'team'])->get()->all())),
            'teams' => $account->person->teams()->orderBy('name_key')->get()->map(static fn(Team $t): array => ['id' => $t->id, 'name' => $t->name])->all(),
        ]);
    }

    public function store(Request $request, Visible $visible): JsonResponse
    {
        $given = $request->validate(['meetingId' => ['required', 'string', 'max:26', 'exists:meetings,id'], ...self::entry(required: true)]);
        $account = self::account($request);
        $meeting = Meeting::query()->findOrFail((string) $given['meetingId']);
        $visible->orNotFound($account, $meeting);

        return $this->told($this->blueprints->derive($account, $meeting, $given['name'], $this->team($account, $given['teamId'] ?? null), self::words($given)), $account, 201);
    }

    public function update(Request $request, string $blueprint): JsonResponse
    {
        $given = $request->validate(self::entry(required: false));
        $account = self::account($request);
        $found = $this->changeable($account, $blueprint);

        return $this->told($this->blueprints->change($found, [
            ...(isset($given['name']) ? ['name' => $given['name']] : []),
            ...(array_key_exists('teamId', $given) ? ['team_id' => $given['teamId'] === $found->team_id ? $found->team_id : $this->team($account, $given['teamId'])] : []),
            ...(array_key_exists('words', $given) ? ['words' => self::words($given)] : []),
        ]), $account);
    }

    /** What a meeting is now becomes what the blueprint holds. */
    public function takeOver(Request $request, string $blueprint, Visible $visible): JsonResponse
    {
        $given = $request->validate(['meetingId' => ['required', 'string', 'max:26', 'exists:meetings,id']]);
        $account = self::account($request);
        $meeting = Meeting::query()->findOrFail((string) $given['meetingId']);
        $visible->orNotFound($account, $meeting);

        return $this->told($this->blueprints->takeOver($this->changeable($account, $blueprint), $meeting), $account);
    }

    public function order(Request $request): JsonResponse
    {
        $given = $request->validate(['ids' => ['present', 'array', 'list', 'max:' . Blueprints::MOST], 'ids.*' => ['bail', 'required', 'string', 'max:26']]);
        $this->blueprints->order(self::account($request), array_values($given['ids']));

        return $this->index($request);
    }

    public function destroy(Request $request, string $blueprint): Response
    {
        $this->changeable(self::account($request), $blueprint)->delete();
        $this->live->tell([Live::COORDINATION], 'blueprint', $blueprint);

        return new Response(status: 204);
    }

    private function told(Blueprint $blueprint, Account $account, int $status = 200): JsonResponse
    {
        $this->live->tell([Live::COORDINATION], 'blueprint', $blueprint->id);

        return new JsonResponse($this->view->of($blueprint->loadMissing(['account.person', 'team']), $account), $status);
    }

    private function changeable(Account $account, string $id): Blueprint
    {
        $blueprint = $this->blueprints->find($account, $id);

        return $this->blueprints->mayChange($account, $blueprint) ? $blueprint : throw new AccessDeniedHttpException();
    }

    /** One shares with the teams to which one belongs. */
    private function team(Account $account, ?string $id): ?string
    {
        return $id === null ? null : (string) $account->person->teams()->whereKey($id)->firstOrFail()->id;
    }

    /** @return array<string, list<mixed>> */
    private static function entry(bool $required): array
    {
        return [
            'name' => [$required ? 'required' : 'sometimes', 'string', 'max:120'],
            'teamId' => ['sometimes', 'nullable', 'string', 'max:26'],
            'words' => ['sometimes', 'nullable', 'string', 'max:1000'],
        ];
    }

    /** @param array<string, mixed> $given */
    private static function words(array $given): ?string
    {
        $words = trim((string) ($given['words'] ?? ''));

        return $words === '' ? null : $words;
    }

    private static function account(Request $request): Account
    {
        /** @var Account $account */
        $account = $request->user();

        return $account;
    }
}
