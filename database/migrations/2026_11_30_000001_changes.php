<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** A sent meeting is changed on a sheet of its own, which waits until the change is sent. */
return new class () extends Migration {
    public function up(): void
    {
        Schema::table('meetings', function (Blueprint $table): void {
            // The meeting whose change this sheet is; one at a time.
            $table->foreignUlid('changes_id')->nullable()->unique()->after('coordinator_id')->constrained('meetings')->cascadeOnDelete();
            $table->dateTime('changed_at')->nullable()->after('sent_at');
            // Which added dates stand in for which dropped ones.
            // Whether its people are hidden from each other; null: as it usually is with whoever is invited.
            $table->boolean('hides_people')->nullable()->after('place');
            $table->json('moved_local')->nullable()->after('dropped_local');
        });

        // What was done to a meeting of which people know: by whom, from what to what.
        Schema::create('meeting_steps', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('meeting_id')->constrained('meetings')->cascadeOnDelete();
            $table->foreignUlid('account_id')->nullable()->constrained('accounts')->nullOnDelete();
            $table->string('kind', 20);
            $table->unsignedInteger('sequence');
            $table->longText('before')->nullable();
            $table->longText('after')->nullable();
            // The coordinator's own words to those who are told.
            $table->text('words')->nullable();
            $table->dateTime('taken_back_at')->nullable();
            $table->dateTime('created_at');
            $table->index(['meeting_id', 'id']);
        });

        Schema::table('meeting_snapshots', function (Blueprint $table): void {
            $table->foreignId('step_id')->nullable()->after('meeting_id')->constrained('meeting_steps')->nullOnDelete();
            // What its recipients knew before, where it is a change.
            $table->longText('before')->nullable();
            $table->boolean('tell_all')->default(false);
        });

        Schema::table('dispatches', function (Blueprint $table): void {
            // The one date it is about, as its series names it; null for the whole.
            $table->string('recurrence_id', 19)->nullable()->after('sequence');
            $table->json('changes')->nullable()->after('recurrence_id');
            // The step that took its place before it left.
            $table->foreignId('replaced_by')->nullable()->after('state')->constrained('meeting_steps')->nullOnDelete();
        });
    }
};
