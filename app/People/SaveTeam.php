<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Validation\ValidationException;

/** Writes a team down, new or changed. Within a transaction. */
final readonly class SaveTeam
{
    public function __construct(private Teams $teams) {}

    /** @param array{name?: string, parent_id?: ?string} $values */
    public function __invoke(Team $team, array $values): Team
    {
        if (isset($values['name'])) {
            $team->name = trim($values['name']);
            $team->name_key = SearchKey::name($team->name);
            if ($team->name_key === '') {
                throw ValidationException::withMessages(['name' => __('people.team_name')]);
            }
            if (Team::query()->where('name_key', $team->name_key)->when($team->exists, fn($q) => $q->where('id', '!=', $team->id))->exists()) {
                throw ValidationException::withMessages(['name' => __('people.team_taken')]);
            }
        }
        if (array_key_exists('parent_id', $values)) {
            $this->checkPlace($team, $values['parent_id']);
            $team->parent_id = $values['parent_id'];
        }
        $team->save();

        return $team;
    }

    private function checkPlace(Team $team, ?string $parentId): void
    {
        if ($parentId === null) {
            return;
        }
        if ($team->exists && in_array($parentId, $this->teams->within($team->id), true)) {
            throw ValidationException::withMessages(['parentId' => __('people.team_ring')]);
        }
        for ($depth = 1, $above = $parentId; $above !== null; $depth++) {
            if ($depth >= Teams::DEEPEST - 1) {
                throw ValidationException::withMessages(['parentId' => __('people.team_deep')]);
            }
            $above = Team::query()->whereKey($above)->value('parent_id');
        }
    }
}
