<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/**
 * Guesses who is meant by what is being typed: every word is part of a name, of an address, of the name of a team, or initials.
 *
 * The best guess stands first: how well it matches, whether they were met of late, whether they are in a team with whoever asks.
 */
final readonly class FindPeople
{
    /** Of those that match best so many are weighed. */
    private const WEIGHED = 60;

    /** Shorter words begin no team's. */
    private const PART = 3;

    public function __construct(private RecentlyMet $met) {}

    /** @return Collection<int, Person> the best guesses, best first */
    public function __invoke(Account $account, string $typed, int $most): Collection
    {
        $words = SearchKey::distinct($typed);
        if ($words === []) {
            return collect();
        }
        $met = array_flip($account->role->plans() ? $this->met->of($account) : []);
        $mates = $this->mates($account->person_id);
        $found = $this->matching($words, array_map(strval(...), array_keys($met)));
        $scores = [];
        foreach ($found as $id => $text) {
            $scores[$id] = self::match($text, $words, $typed) + (isset($met[$id]) ? 30 - min(20, intdiv($met[$id], 15)) : 0) + (isset($mates[$id]) ? 8 : 0);
        }
        $people = Person::query()->whereIn('id', array_map(strval(...), array_keys($scores)))->whereNull('left_at')->when(!$account->role->plans(), static fn($q) => $q->where('kind', PersonKind::Colleague))->get();

        return $people->sort(static fn(Person $a, Person $b): int => [$scores[$b->id] - ($b->kind === PersonKind::Guest ? 6 : 0), $a->list_key, $a->id] <=> [$scores[$a->id] - ($a->kind === PersonKind::Guest ? 6 : 0), $b->list_key, $b->id])->take($most)->values();
    }

    /**
     * @param  non-empty-list<string>  $words
     * @param  list<string>  $met
     * @return array<string, string> what they are found by, of the likeliest and of all who were met of late
     */
    private function matching(array $words, array $met): array
    {
        $query = DB::table('person_search')->select(['person_id', 'text']);
        foreach ($words as $word) {
            $teams = $this->teams($word);
            $query->where(static fn(Builder $q) => FindWords::part($q, $word)
                ->when($teams !== [], static fn($or) => $or->orWhereIn('person_id', DB::table('team_members')->select('person_id')->whereIn('team_id', $teams))));
        }
        $first = addcslashes($words[0], '%_\\');
        $best = (clone $query)->orderByRaw('case when text like ? then 0 when text like ? then 1 else 2 end', [" $first%", "% $first%"])->orderBy('list_key')->orderBy('person_id')->limit(self::WEIGHED)->pluck('text', 'person_id');

        return [...$best->all(), ...($met === [] ? [] : $query->whereIn('person_id', $met)->pluck('text', 'person_id')->all())];
    }

    /** @return list<string> teams a word of whose name begins so, with those within them */
    private function teams(string $word): array
    {
        if (strlen($word) < self::PART) {
            return [];
        }
        $begins = addcslashes($word, '%_\\');

        return array_values(Team::query()->where('name_key', 'like', "$begins%")->orWhere('name_key', 'like', "% $begins%")->limit(10)->pluck('id')->map(strval(...))->all());
    }

    /** @return array<string, true> who is in a team with somebody */
    private function mates(string $personId): array
    {
        return array_fill_keys(DB::table('team_members as other')->join('team_members as own', 'own.team_id', '=', 'other.team_id')->where('own.person_id', $personId)->limit(2000)->pluck('other.person_id')->all(), true);
    }

    /**
     * How well a text matches: as its beginning, as whole words, as beginnings of words, or somewhere.
     *
     * @param  non-empty-list<string>  $words
     */
    private static function match(string $text, array $words, string $typed): int
    {
        $whole = implode(' ', SearchKey::words($typed));
        $score = str_starts_with($text, " $whole") ? 25 : 0;
        foreach ($words as $word) {
            $score += match (true) {
                str_contains("$text ", " $word ") => 20,
                str_contains($text, " $word") => 12,
                default => 0,
            };
        }

        return $score;
    }
}
