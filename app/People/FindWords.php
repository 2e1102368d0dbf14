<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** Finds by words that begin as typed, each from an index. */
final class FindWords
{
    /** People with a word that begins so, as a query of their ids. */
    public static function people(string $beginning): Builder
    {
        return DB::table('person_words')->select('person_id')->where('word', 'like', $beginning);
    }

    /**
     * The first few people of a list who match every word that was typed.
     *
     * @return list<string> ids, in the order of the list
     */
    public static function firstPeople(string $typed, int $most): array
    {
        $beginnings = SearchKey::beginnings($typed);
        $first = array_shift($beginnings);
        if ($first === null) {
            return [];
        }
        $query = DB::table('person_words')->where('word', 'like', $first);
        foreach ($beginnings as $beginning) {
            $query->whereIn('person_id', self::people($beginning));
        }

        return array_values($query->groupBy('person_id')->orderByRaw('min(list_key)')->orderBy('person_id')->limit($most)->pluck('person_id')->map(strval(...))->all());
    }

    /** Keeps the words by which a person is found, and where they stand in a list. */
    public static function keepPerson(Person $person): void
    {
        $words = SearchKey::parts($person->name, $person->email);
        DB::table('person_words')->where('person_id', $person->id)->whereNotIn('word', $words)->delete();
        DB::table('person_words')->upsert(array_map(static fn(string $word): array => ['word' => $word, 'person_id' => $person->id, 'list_key' => $person->list_key], $words), ['word', 'person_id'], ['list_key']);
    }

    /**
     * Keeps the words by which a meeting is found.
     *
     * @param  list<string>  $words
     */
    public static function keepMeeting(string $id, array $words): void
    {
        DB::table('meeting_words')->where('meeting_id', $id)->whereNotIn('word', $words)->delete();
        DB::table('meeting_words')->insertOrIgnore(array_map(static fn(string $word): array => ['word' => $word, 'meeting_id' => $id], $words));
    }
}
