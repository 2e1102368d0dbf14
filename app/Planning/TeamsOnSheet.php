<?php

declare(strict_types=1);

namespace App\Planning;

use App\People\Person;
use App\People\PersonResource;
use App\People\Team;
use App\People\Teams;
use Illuminate\Http\Request;

/** What has become of the teams that are asked: who joined and is not asked, who is asked and has left. */
final readonly class TeamsOnSheet
{
    private const MOST = 500;

    public function __construct(private Teams $teams) {}

    /**
     * @param  list<array{personId: string, role: \Syndex\Core\ICalendar\AttendeeRole, teamId?: ?string}>  $attendees
     * @return list<array{id: string, name: string, size: int, notAsked: list<array<string, mixed>>, left: list<string>}>
     */
    public function of(array $attendees): array
    {
        $asked = array_column($attendees, 'teamId', 'personId');
        $found = [];
        foreach (Team::query()->whereIn('id', array_unique(array_filter($asked)))->orderBy('name_key')->get() as $team) {
            $members = Person::query()->whereIn('id', $this->teams->people($team->id))->whereNull('left_at')->pluck('id')->flip()->all();
            $missing = array_slice(array_keys(array_diff_key($members, $asked)), 0, self::MOST);
            $found[] = [
                'id' => $team->id,
                'name' => $team->name,
                'size' => count($members),
                'notAsked' => array_values(Person::query()->whereIn('id', $missing)->orderBy('list_key')->get()->map(static fn(Person $p): array => (new PersonResource($p))->toArray(Request::create('/')))->all()),
                'left' => array_map(strval(...), array_keys(array_filter($asked, static fn(?string $of, string $id): bool => $of === $team->id && !isset($members[$id]), ARRAY_FILTER_USE_BOTH))),
            ];
        }

        return $found;
    }
}
