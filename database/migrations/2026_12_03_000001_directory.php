<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Where people are, journeys, teams, and house rules that may be left open. */
return new class () extends Migration {
    public function up(): void
    {
        Schema::table('people', function (Blueprint $table): void {
            // ISO 3166-1 alpha-2, and a region of it as the table of holidays names it.
            $table->char('country', 2)->nullable()->after('zone');
            $table->string('region', 12)->nullable()->after('country');
            // Whether public holidays are days off; null: as the house has it.
            $table->boolean('keeps_holidays')->nullable()->after('region');
            // ITU-T E.164, "+254202555142".
            $table->string('phone', 20)->nullable()->after('job');
            $table->foreignUlid('stand_in_id')->nullable()->after('phone')->constrained('people')->nullOnDelete();
            $table->dateTime('left_at')->nullable()->index();
        });

        Schema::create('journeys', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('person_id')->constrained('people')->cascadeOnDelete();
            $table->string('zone', 64);
            // Whole days at the other place, the last one included.
            $table->date('from_on');
            $table->date('until_on');
            $table->timestamps();
            $table->index(['person_id', 'until_on']);
        });

        Schema::create('teams', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->string('name', 120);
            $table->string('name_key', 120)->collation('utf8mb4_bin')->unique();
            $table->foreignUlid('parent_id')->nullable()->constrained('teams')->restrictOnDelete();
            $table->timestamps();
        });
        Schema::create('team_members', function (Blueprint $table): void {
            $table->foreignUlid('team_id')->constrained('teams')->cascadeOnDelete();
            $table->foreignUlid('person_id')->constrained('people')->cascadeOnDelete();
            $table->primary(['team_id', 'person_id']);
            $table->index(['person_id', 'team_id']);
        });
        // The team as which somebody was asked.
        Schema::table('attendees', fn(Blueprint $table) => $table->foreignUlid('team_id')->nullable()->after('role')->constrained('teams')->nullOnDelete());

        Schema::table('house_rules', fn(Blueprint $table) => $table->boolean('is_open')->nullable()->after('value'));
    }
};
