<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class () extends Migration {
    public function up(): void
    {
        Schema::create('meetings', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->string('uid', 120)->unique();
            $table->string('address_token', 40)->unique();
            $table->foreignUlid('coordinator_id')->constrained('accounts');
            $table->foreignUlid('host_id')->nullable()->constrained('people');
            $table->string('status', 12)->index();
            $table->unsignedInteger('version')->default(1);
            $table->string('title', 200)->default('');
            $table->text('purpose')->nullable();
            $table->json('links');
            $table->dateTime('starts_local');
            $table->string('zone', 64);
            $table->boolean('all_day')->default(false);
            $table->unsignedInteger('duration_minutes')->default(30);
            $table->string('rrule', 500)->nullable();
            $table->json('extra_local');
            $table->json('dropped_local');
            $table->string('join_mode', 12)->default('undecided');
            $table->string('place', 300)->nullable();
            $table->unsignedInteger('sequence')->default(0);
            $table->dateTime('kept_at')->nullable();
            $table->dateTime('sent_at')->nullable();
            $table->dateTime('called_off_at')->nullable();
            $table->date('laid_until_on')->nullable()->index();
            $table->string('laid_zone_data', 20)->nullable();
            $table->dateTime('first_starts_at')->nullable();
            $table->dateTime('last_ends_at')->nullable();
            $table->timestamps();
            // The list: newest first, of one status or all, and those that still lie ahead.
            $table->index(['status', 'updated_at']);
            $table->index(['status', 'last_ends_at']);
        });

        Schema::create('agenda_items', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('meeting_id')->constrained('meetings')->cascadeOnDelete();
            $table->unsignedSmallInteger('position');
            $table->string('title', 300);
            $table->unsignedSmallInteger('minutes')->nullable();
            $table->string('speaker', 200)->nullable();
            $table->unique(['meeting_id', 'position']);
        });

        Schema::create('attendees', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('meeting_id')->constrained('meetings')->cascadeOnDelete();
            $table->foreignUlid('person_id')->constrained('people');
            $table->unsignedSmallInteger('position');
            $table->string('role', 10);
            $table->string('partstat', 14)->default('needs-action');
            $table->unique(['meeting_id', 'person_id']);
            // Availability asks: which meetings is this person in?
            $table->index(['person_id', 'meeting_id']);
        });

        Schema::create('occurrences', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('meeting_id')->constrained('meetings')->cascadeOnDelete();
            $table->dateTime('starts_local');
            $table->dateTime('starts_at');
            $table->dateTime('ends_at');
            $table->boolean('all_day')->default(false);
            $table->unique(['meeting_id', 'starts_at']);
            // The day list and the board ask for stretches of time over all meetings.
            $table->index(['starts_at', 'ends_at', 'all_day', 'meeting_id'], 'occurrences_by_time');
        });

        Schema::create('joining_kits', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('meeting_id')->unique()->constrained('meetings')->cascadeOnDelete();
            $table->string('bridge_id', 64);
            $table->string('link', 500);
            $table->string('number', 20);
            $table->text('passcode');
            $table->text('pin');
            $table->json('dial_ins');
            $table->dateTime('closed_at')->nullable();
            $table->timestamps();
        });
    }
};
