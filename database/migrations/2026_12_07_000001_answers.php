<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What attendees answer, and all that comes back about what was sent. */
return new class () extends Migration {
    public function up(): void
    {
        // How it stands: one row for a person and a meeting as a whole, and one for each date of which they said something else.
        Schema::create('answers', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('meeting_id')->constrained('meetings')->cascadeOnDelete();
            $table->foreignUlid('person_id')->constrained('people')->cascadeOnDelete();
            // As the series names it; null: the whole.
            $table->dateTime('date_local')->nullable();
            $table->unsignedBigInteger('date_key')->storedAs('ifnull(to_days(`date_local`) * 86400 + time_to_sec(`date_local`), 0)');
            $table->string('partstat', 12);
            $table->string('comment', 1000)->nullable();
            $table->string('via', 10);
            $table->foreignUlid('account_id')->nullable()->constrained('accounts')->nullOnDelete();
            $table->unsignedInteger('sequence');
            $table->dateTime('stamped_at');
            $table->dateTime('answered_at');
            $table->unique(['meeting_id', 'person_id', 'date_key']);
            $table->index(['person_id', 'date_local']);
        });

        // Everything that came, in the order in which it came, and what became of it.
        Schema::create('replies', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('meeting_id')->nullable()->constrained('meetings')->cascadeOnDelete();
            $table->foreignUlid('person_id')->nullable()->constrained('people')->nullOnDelete();
            $table->foreignId('dispatch_id')->nullable()->constrained('dispatches')->nullOnDelete();
            $table->foreignUlid('account_id')->nullable()->constrained('accounts')->nullOnDelete();
            $table->string('kind', 12);
            $table->string('via', 10);
            $table->string('state', 14);
            $table->string('why', 30)->nullable();
            $table->string('sender', 254)->nullable();
            $table->dateTime('date_local')->nullable();
            $table->string('partstat', 12)->nullable();
            $table->string('comment', 1000)->nullable();
            $table->dateTime('proposed_at')->nullable();
            $table->unsignedInteger('proposed_minutes')->nullable();
            $table->string('delegate', 254)->nullable();
            // The same mail that comes twice is one.
            $table->string('digest', 64)->nullable()->collation('ascii_bin')->unique();
            // What was kept aside, as it came, encrypted.
            $table->longText('mail')->nullable();
            $table->foreignUlid('decided_by')->nullable()->constrained('accounts')->nullOnDelete();
            $table->dateTime('decided_at')->nullable();
            $table->dateTime('created_at');
            $table->index(['meeting_id', 'id']);
            $table->index(['state', 'id']);
        });

        Schema::table('dispatches', function (Blueprint $table): void {
            // Came back after the mail server had taken it.
            $table->dateTime('bounced_at')->nullable();
            $table->dateTime('delayed_at')->nullable();
        });

        Schema::table('attendees', function (Blueprint $table): void {
            $table->foreignUlid('delegate_id')->nullable()->constrained('people')->nullOnDelete();
            $table->dateTime('nudged_at')->nullable();
        });
    }
};
