<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Days on which somebody is away, and who covers for them. */
return new class () extends Migration {
    public function up(): void
    {
        Schema::create('absences', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('person_id')->constrained('people')->cascadeOnDelete();
            // Whole days in the person's own zone, the last one included.
            $table->date('from_on');
            $table->date('until_on');
            $table->foreignUlid('stand_in_id')->nullable()->constrained('people')->nullOnDelete();
            $table->string('note', 200)->nullable();
            // Whether others see the note.
            $table->boolean('shows_note')->default(false);
            $table->timestamps();
            $table->index(['person_id', 'until_on']);
        });
        // Whose coordinator has seen that somebody will be away from a meeting.
        Schema::create('noted_absences', function (Blueprint $table): void {
            $table->foreignId('absence_id')->constrained('absences')->cascadeOnDelete();
            $table->foreignUlid('meeting_id')->constrained('meetings')->cascadeOnDelete();
            $table->primary(['absence_id', 'meeting_id']);
        });
    }
};
