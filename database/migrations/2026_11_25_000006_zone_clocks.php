<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What clocks were known to show, and whose time newer zone data moved. */
return new class () extends Migration {
    public function up(): void
    {
        Schema::create('zone_clocks', function (Blueprint $table): void {
            $table->string('zone', 64)->primary();
            $table->string('zone_data', 20);
            $table->json('offsets');
        });

        Schema::create('clock_moves', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('meeting_id')->constrained('meetings')->cascadeOnDelete();
            $table->foreignUlid('person_id')->constrained('people')->cascadeOnDelete();
            $table->string('zone_data', 20);
            $table->dateTime('was_local');
            $table->dateTime('now_local');
            $table->unsignedInteger('dates');
            $table->dateTime('noted_at')->nullable()->index();
            $table->dateTime('found_at');
            $table->unique(['meeting_id', 'person_id', 'zone_data']);
        });
    }
};
