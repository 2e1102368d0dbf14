<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Dates that have something of their own, occurrences known by the date that the rule names, and series split in two. */
return new class () extends Migration {
    public function up(): void
    {
        // A date that differs from its series; the day on which it is moved stands with the meeting's dates.
        Schema::create('meeting_dates', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('meeting_id')->constrained('meetings')->cascadeOnDelete();
            // As the series names it (RECURRENCE-ID), on the anchor's clock.
            $table->dateTime('date_local');
            // Null: as the series.
            $table->unsignedInteger('duration_minutes')->nullable();
            $table->string('title', 200)->nullable();
            $table->string('place', 300)->nullable();
            // Whether the list of its people is its own.
            $table->boolean('own_people')->default(false);
            $table->unique(['meeting_id', 'date_local']);
            $table->index(['own_people', 'meeting_id']);
        });
        Schema::create('date_attendees', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('meeting_date_id')->constrained('meeting_dates')->cascadeOnDelete();
            $table->foreignUlid('person_id')->constrained('people');
            $table->unsignedSmallInteger('position');
            $table->string('role', 10);
            $table->string('partstat', 14)->default('needs-action');
            $table->unique(['meeting_date_id', 'person_id']);
            $table->index(['person_id', 'meeting_date_id']);
        });

        Schema::table('occurrences', fn(Blueprint $table) => $table->dateTime('date_local')->nullable()->after('meeting_id'));
        DB::statement('update occurrences set date_local = starts_local');
        // A date that was moved is known by the one that the rule names.
        foreach (DB::table('meetings')->whereNotNull('moved_local')->where('moved_local', '!=', '[]')->get(['id', 'moved_local']) as $meeting) {
            foreach ((array) json_decode((string) $meeting->moved_local, true) as [$from, $to]) {
                DB::table('occurrences')->where('meeting_id', $meeting->id)->where('starts_local', str_replace('T', ' ', (string) $to))->update(['date_local' => str_replace('T', ' ', (string) $from)]);
            }
        }
        Schema::table('occurrences', function (Blueprint $table): void {
            $table->dateTime('date_local')->nullable(false)->change();
            $table->unique(['meeting_id', 'date_local', 'starts_at']);
        });

        Schema::table('meetings', function (Blueprint $table): void {
            // Of a sheet that changes a series from one of its dates on: that date. Of the series that came of it: where it began.
            $table->dateTime('split_local')->nullable()->after('changes_id');
            // The series of which it was the later part; they share a room.
            $table->foreignUlid('split_from_id')->nullable()->after('split_local')->constrained('meetings')->nullOnDelete();
            $table->string('split_from_uid', 120)->nullable()->after('split_from_id');
            $table->ulid('kit_of')->nullable()->after('split_from_uid');
            // Minutes ahead at which calendars remind; null: they do not.
            $table->unsignedSmallInteger('reminder_minutes')->nullable()->default(15)->after('hides_people');
            $table->string('calendar_class', 12)->default('public')->after('reminder_minutes');
            $table->json('categories')->nullable()->after('calendar_class');
            $table->boolean('takes_no_time')->default(false)->after('categories');
            $table->boolean('not_forwarded')->default(false)->after('takes_no_time');
        });
        // Not known: then letters are in the host's.
        Schema::table('people', fn(Blueprint $table) => $table->string('language', 35)->nullable()->default(null)->change());
        Schema::table('meeting_steps', fn(Blueprint $table) => $table->foreignUlid('split_into_id')->nullable()->after('kind')->constrained('meetings')->nullOnDelete());
    }
};
