<?php

declare(strict_types=1);

use App\People\SearchKey;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** People are found by any part of their names too: in a table so narrow that all of it is read in a few milliseconds. */
return new class () extends Migration {
    public function up(): void
    {
        Schema::create('person_search', function (Blueprint $table): void {
            $table->foreignUlid('person_id')->primary()->constrained('people')->cascadeOnDelete();
            // Each word after a space: " ines varela iv ines.varela@..."
            $table->string('text', 400)->collation('ascii_bin');
            $table->string('list_key', 120)->collation('ascii_bin');
        });
        foreach (DB::table('people')->select(['id', 'name', 'email', 'list_key'])->orderBy('id')->lazy(500) as $person) {
            DB::table('person_search')->insert(['person_id' => $person->id, 'text' => SearchKey::line($person->name, (string) $person->email), 'list_key' => $person->list_key]);
            DB::table('person_words')->insertOrIgnore(array_map(static fn(string $word): array => ['word' => $word, 'person_id' => $person->id, 'list_key' => $person->list_key], SearchKey::initials($person->name)));
        }
    }
};
