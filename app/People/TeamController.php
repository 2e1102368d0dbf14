<?php

declare(strict_types=1);

namespace App\People;

use App\Failure\Decide;
use App\Live\Live;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;

/** Named groups of people. */
final readonly class TeamController
{
    private const PER_PAGE = 100;

    private const SUGGESTIONS = 4;

    private const MOST_AT_ONCE = 10_000;

    public function __construct(private Teams $teams, private SaveTeam $save, private Live $live) {}

    public function index(): JsonResponse
    {
        return new JsonResponse($this->teams->all());
    }

    /** The few teams whose name has words that begin as typed. */
    public function suggest(Request $request): JsonResponse
    {
        $request->validate(['q' => ['present', 'nullable', 'string', 'max:200']]);
        $typed = SearchKey::words($request->string('q')->toString());
        $found = $typed === [] ? [] : array_filter($this->teams->all(), static fn(array $team): bool => $team['all'] > 0 && array_filter($typed, static fn(string $word): bool => !str_contains(' ' . SearchKey::name($team['name']), " $word")) === []);

        return new JsonResponse(array_slice(array_values($found), 0, self::SUGGESTIONS));
    }

    /** A team with its own people, a page at a time. */
    public function show(Request $request, Team $team): JsonResponse
    {
        $request->validate(['page' => ['nullable', 'integer', 'min:1', 'max:100000']]);
        $members = $team->members()->whereNull('left_at')->orderBy('list_key')->orderBy('id')->paginate(self::PER_PAGE, ['people.*'], 'page', $request->integer('page', 1));

        return new JsonResponse([
            'id' => $team->id,
            'name' => $team->name,
            'parentId' => $team->parent_id,
            'size' => $this->teams->size($team),
            'members' => array_map(static fn(Person $p): array => (new PersonResource($p))->toArray($request), $members->items()),
            'page' => $members->currentPage(),
            'pages' => $members->lastPage(),
            'total' => $members->total(),
        ]);
    }

    public function store(Request $request): JsonResponse
    {
        $given = $request->validate(self::entry($request));
        $team = Decide::on(function () use ($given): Team {
            $team = ($this->save)(new Team(), ['name' => (string) $given['name'], 'parent_id' => $given['parentId'] ?? null]);
            self::add($team, (array) ($given['personIds'] ?? []));

            return $team;
        });
        $this->live->tell([Live::COORDINATION], 'team', $team->id);

        return new JsonResponse(['id' => $team->id, 'name' => $team->name, 'size' => $this->teams->size($team)], 201);
    }

    public function update(Request $request, Team $team): JsonResponse
    {
        $given = $request->validate(self::entry($request));
        Decide::on(function () use ($team, $given): void {
            // Two who move teams at once would make a ring between them.
            Team::query()->lockForUpdate()->get(['id']);
            ($this->save)($team->refresh(), [...(isset($given['name']) ? ['name' => (string) $given['name']] : []), ...(array_key_exists('parentId', $given) ? ['parent_id' => $given['parentId']] : [])]);
        });
        $this->live->tell([Live::COORDINATION], 'team', $team->id);

        return new JsonResponse(['id' => $team->id, 'name' => $team->name, 'size' => $this->teams->size($team)]);
    }

    /** Its people stay; the teams within it lie then where it lay. */
    public function destroy(Team $team): Response
    {
        Decide::on(static function () use ($team): void {
            Team::query()->where('parent_id', $team->id)->update(['parent_id' => $team->parent_id]);
            $team->delete();
        });
        $this->live->tell([Live::COORDINATION], 'team', $team->id);

        return new Response(status: 204);
    }

    /** Takes people in, or out. */
    public function members(Request $request, Team $team): JsonResponse
    {
        $given = $request->validate(['add' => ['sometimes', 'array', 'list', 'max:' . self::MOST_AT_ONCE], 'add.*' => ['string', 'max:26'], 'remove' => ['sometimes', 'array', 'list', 'max:' . self::MOST_AT_ONCE], 'remove.*' => ['string', 'max:26']]);
        Decide::on(static function () use ($team, $given): void {
            self::add($team, (array) ($given['add'] ?? []));
            foreach (array_chunk((array) ($given['remove'] ?? []), 1000) as $ids) {
                $team->members()->detach($ids);
            }
        });
        $this->live->tell([Live::COORDINATION], 'team', $team->id);

        return new JsonResponse(['size' => $this->teams->size($team)]);
    }

    /** @param array<mixed> $ids of whom those are taken that there are */
    private static function add(Team $team, array $ids): void
    {
        foreach (array_chunk($ids, 1000) as $some) {
            $rows = Person::query()->whereIn('id', $some)->whereNull('left_at')->pluck('id')->map(static fn($id): array => ['team_id' => $team->id, 'person_id' => $id])->all();
            DB::table('team_members')->insertOrIgnore($rows);
        }
    }

    /** @return array<string, list<string>> */
    private static function entry(Request $request): array
    {
        return [
            'name' => [$request->isMethod('POST') ? 'required' : 'sometimes', 'string', 'max:120'],
            'parentId' => ['sometimes', 'nullable', 'string', 'max:26', 'exists:teams,id'],
            'personIds' => ['sometimes', 'array', 'list', 'max:' . self::MOST_AT_ONCE],
            'personIds.*' => ['string', 'max:26'],
        ];
    }
}
