<?php

declare(strict_types=1);

use App\People\SearchKey;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Lists are read from indexes: words that begin as typed, people by name, meetings by the date under which they are listed. */
return new class () extends Migration {
    public function up(): void
    {
        Schema::create('person_words', function (Blueprint $table): void {
            $table->string('word', 64)->collation('utf8mb4_bin');
            $table->foreignUlid('person_id')->constrained('people')->cascadeOnDelete();
            // Where the person stands in a list, so that the first few of many are found in this index alone.
            $table->string('list_key', 120)->collation('utf8mb4_bin');
            $table->primary(['word', 'person_id']);
            $table->index(['word', 'list_key', 'person_id']);
        });
        Schema::create('meeting_words', function (Blueprint $table): void {
            $table->string('word', 64)->collation('utf8mb4_bin');
            $table->foreignUlid('meeting_id')->constrained('meetings')->cascadeOnDelete();
            $table->primary(['word', 'meeting_id']);
        });
        Schema::table('people', function (Blueprint $table): void {
            $table->string('list_key', 120)->collation('utf8mb4_bin')->default('')->after('search_key');
            $table->index(['list_key', 'id']);
            $table->index(['kind', 'list_key']);
            $table->dropIndex(['kind', 'search_key']);
            $table->dropIndex(['search_key']);
        });
        Schema::table('meetings', function (Blueprint $table): void {
            // The date under which it is listed: the next one, else the last; and when that one ends, while it lies ahead.
            $table->dateTime('shown_at')->nullable()->after('last_ends_at');
            $table->dateTime('shown_until')->nullable()->after('shown_at');
            $table->index(['shown_at', 'id']);
            $table->index(['status', 'shown_at']);
            $table->index(['shown_until', 'status', 'shown_at']);
            $table->index(['coordinator_id', 'status', 'updated_at']);
        });
        Schema::table('occurrences', fn(Blueprint $table) => $table->index(['all_day', 'starts_at', 'ends_at', 'meeting_id'], 'occurrences_of_a_day'));
        foreach (DB::table('people')->select(['id', 'kind', 'name', 'email'])->orderBy('id')->lazy(500) as $person) {
            $listed = SearchKey::listed($person->kind === 'guest', $person->name, (string) $person->email);
            DB::table('people')->where('id', $person->id)->update(['list_key' => $listed]);
            DB::table('person_words')->insertOrIgnore(array_map(static fn(string $word): array => ['word' => $word, 'person_id' => $person->id, 'list_key' => $listed], SearchKey::parts($person->name, (string) $person->email)));
        }
        foreach (DB::table('meetings')->select(['id', 'title'])->orderBy('id')->lazy(500) as $meeting) {
            DB::table('meeting_words')->insertOrIgnore(array_map(static fn(string $word): array => ['word' => $word, 'meeting_id' => $meeting->id], SearchKey::distinct((string) $meeting->title)));
        }
        $now = gmdate('Y-m-d H:i:s');
        DB::update(<<<'SQL'
            update meetings m set
                shown_at = coalesce((select min(o.starts_at) from occurrences o where o.meeting_id = m.id and o.ends_at > ?), (select max(o.starts_at) from occurrences o where o.meeting_id = m.id), m.starts_local),
                shown_until = (select min(o.ends_at) from occurrences o where o.meeting_id = m.id and o.ends_at > ?)
            SQL, [$now, $now]);
        DB::update("update meetings set shown_at = null where status = 'draft' and version = 1 and title = ''");
        Schema::table('people', fn(Blueprint $table) => $table->dropColumn('search_key'));
    }
};
