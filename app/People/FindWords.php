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
     * Keeps the words by which something is found.
     *
     * @param  'person'|'meeting'  $what
     * @param  list<string>  $words
     */
    public static function keep(string $what, string $id, array $words): void
    {
        $there = DB::table("{$what}_words")->where("{$what}_id", $id)->pluck('word')->all();
        DB::table("{$what}_words")->where("{$what}_id", $id)->whereIn('word', array_diff($there, $words))->delete();
        DB::table("{$what}_words")->insertOrIgnore(array_map(static fn(string $word): array => ['word' => $word, "{$what}_id" => $id], array_values(array_diff($words, $there))));
    }
}
