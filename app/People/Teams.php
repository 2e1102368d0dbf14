<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** Teams as they lie within each other. Whoever is in a team is in those that it lies within. */
final class Teams
{
    /** Deeper than anybody nests them. */
    public const DEEPEST = 8;

    /** @return list<array{id: string, name: string, parentId: ?string, own: int, all: int}> by name; how many people are in it itself, and in all */
    public function all(): array
    {
        $counted = DB::select('with recursive ' . self::below() . ' select below.root, count(distinct m.person_id) as people, count(distinct if(below.id = below.root, m.person_id, null)) as own from below join team_members m on m.team_id = below.id join people p on p.id = m.person_id and p.left_at is null group by below.root');
        $people = array_column($counted, null, 'root');

        return array_values(Team::query()->orderBy('name_key')->get()->map(static fn(Team $t): array => [
            'id' => $t->id, 'name' => $t->name, 'parentId' => $t->parent_id, 'own' => (int) ($people[$t->id]->own ?? 0), 'all' => (int) ($people[$t->id]->people ?? 0),
        ])->all());
    }

    /** How many people are in a team and those within it. */
    public function size(Team $team): int
    {
        return (int) DB::selectOne('with recursive ' . self::below('= ?') . ' select count(distinct m.person_id) as people from below join team_members m on m.team_id = below.id join people p on p.id = m.person_id and p.left_at is null', [$team->id])?->people;
    }

    /** @return list<string> ids of a team and those within it */
    public function within(string $teamId): array
    {
        return array_values(array_map(static fn(\stdClass $row): string => (string) $row->id, DB::select('with recursive ' . self::below('= ?') . ' select distinct id from below', [$teamId])));
    }

    /** @return Builder ids of the people in a team and those within it */
    public function people(string $teamId): Builder
    {
        return DB::table('team_members')->select('person_id')->whereIn('team_id', $this->within($teamId));
    }

    private static function below(string $which = 'is not null'): string
    {
        return "below (root, id, depth) as (select id, id, 0 from teams where id $which union all select below.root, teams.id, below.depth + 1 from below join teams on teams.parent_id = below.id where below.depth < " . self::DEEPEST . ')';
    }
}
