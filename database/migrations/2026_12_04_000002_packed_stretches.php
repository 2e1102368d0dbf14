<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * What a meeting or a calendar takes, once more as one value: boards and searches read thousands of rows as hundreds of values. The
 * rows stay the truth; where a value is not there yet, they are read.
 */
return new class () extends Migration {
    public function up(): void
    {
        Schema::create('packed_meetings', function (Blueprint $table): void {
            $table->foreignUlid('meeting_id')->primary()->constrained('meetings')->cascadeOnDelete();
        });
        Schema::create('packed_calendars', function (Blueprint $table): void {
            $table->foreignId('calendar_id')->primary()->constrained('calendars')->cascadeOnDelete();
        });
        // Of thousands of people, who is away or travelling is found by the days.
        foreach (['absences', 'journeys'] as $table) {
            Schema::table($table, fn(Blueprint $of) => $of->index(['until_on', 'person_id']));
        }
        // Up to 390 kB: more than a blob of the usual size holds.
        foreach (['packed_meetings', 'packed_calendars'] as $table) {
            DB::statement("alter table $table add stretches mediumblob not null");
        }
    }
};
