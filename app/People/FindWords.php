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

    /** Shorter words must begin one: as parts of words they mean nothing. */
    private const PART = 3;

    /**
     * People as they stand in the list, from an index or from a table so narrow that all of it is read in a few milliseconds: every
     * word typed is part of a name or an address, a short one its beginning.
     *
     * @param  ?PersonKind  $kind  null: everybody
     * @return Builder of their ids, as "id"
     */
    public static function listed(string $typed, ?PersonKind $kind): Builder
    {
        $words = SearchKey::distinct($typed);
        $query = $words === [] ? DB::table('people')->select('id')->orderBy('list_key')->orderBy('id') : DB::table('person_search')->select('person_id as id')->orderBy('list_key')->orderBy('person_id');
        foreach ($words as $word) {
            self::part($query, $word);
        }
        if ($words === [] && trim($typed) !== '') {
            $query->whereRaw('0');
        }

        // Whoever is forgotten stands in no list.
        return match ($kind) {
            null => $query->where('list_key', '>', ''),
            PersonKind::Colleague => $query->whereBetween('list_key', ['0 ', '0 ~']),
            PersonKind::Guest => $query->whereBetween('list_key', ['1 ', '1 ~']),
        };
    }

    /** Of whose line in the table of all words this is part. */
    public static function part(Builder $query, string $word): Builder
    {
        return $query->where('text', 'like', (strlen($word) < self::PART ? '% ' : '%') . addcslashes($word, '%_\\') . '%');
    }

    /** Keeps the words by which a person is found, and where they stand in a list. */
    public static function keepPerson(Person $person): void
    {
        $words = SearchKey::parts($person->name, $person->email);
        DB::table('person_words')->where('person_id', $person->id)->whereNotIn('word', $words)->delete();
        DB::table('person_search')->upsert([['person_id' => $person->id, 'text' => SearchKey::line($person->name, $person->email), 'list_key' => $person->list_key]], ['person_id'], ['text', 'list_key']);
        DB::table('person_words')->upsert(array_map(static fn(string $word): array => ['word' => $word, 'person_id' => $person->id, 'list_key' => $person->list_key], $words), ['word', 'person_id'], ['list_key']);
    }

    public static function forgetPerson(string $id): void
    {
        DB::table('person_words')->where('person_id', $id)->delete();
        DB::table('person_search')->where('person_id', $id)->delete();
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
