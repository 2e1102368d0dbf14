<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What people have already, from their own calendars, and clashes that have arisen since. */
return new class () extends Migration {
    public function up(): void
    {
        Schema::create('calendars', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('person_id')->unique()->constrained('people')->cascadeOnDelete();
            $table->string('kind', 10);
            // A secret: encrypted, and told apart by its hash.
            $table->text('url')->nullable();
            $table->string('url_hash', 64)->nullable();
            $table->string('label', 300);
            $table->boolean('shows_titles')->default(false);
            $table->string('state', 10);
            $table->string('problem', 30)->nullable();
            $table->string('etag', 500)->nullable();
            $table->string('modified', 100)->nullable();
            $table->unsignedSmallInteger('failures')->default(0);
            $table->unsignedInteger('events')->default(0);
            $table->dateTime('tried_at')->nullable();
            // The last time that it was read whole or said to be as it was.
            $table->dateTime('read_at')->nullable();
            $table->dateTime('laid_at')->nullable();
            $table->dateTime('next_try_at')->nullable()->index();
            $table->timestamps();
        });

        Schema::create('busy_times', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('calendar_id')->constrained('calendars')->cascadeOnDelete();
            $table->foreignUlid('person_id')->constrained('people')->cascadeOnDelete();
            $table->string('key', 32)->collation('ascii_bin');
            $table->dateTime('starts_at');
            $table->dateTime('ends_at');
            $table->string('kind', 10);
            // Kept only where the person shows it.
            $table->string('title', 200)->nullable();
            $table->unique(['calendar_id', 'key']);
            $table->index(['person_id', 'starts_at', 'ends_at', 'kind'], 'busy_of_a_person');
        });

        // Whose calendar came to say something else at a date to which they are asked.
        Schema::create('found_clashes', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('meeting_id')->constrained('meetings')->cascadeOnDelete();
            $table->foreignUlid('person_id')->constrained('people')->cascadeOnDelete();
            $table->dateTime('date_local');
            $table->dateTime('starts_at');
            $table->string('kind', 10);
            $table->dateTime('found_at');
            $table->dateTime('noted_at')->nullable()->index();
            $table->unique(['meeting_id', 'person_id', 'date_local']);
            $table->index(['person_id', 'starts_at']);
        });
    }
};
