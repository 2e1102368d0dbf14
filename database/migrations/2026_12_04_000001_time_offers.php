<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Time-offer rounds: times offered to outside guests, what they answered, and the links by which they do. */
return new class () extends Migration {
    public function up(): void
    {
        Schema::create('time_offers', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('meeting_id')->constrained('meetings')->cascadeOnDelete();
            $table->foreignUlid('account_id')->nullable()->constrained('accounts')->nullOnDelete();
            $table->unsignedInteger('duration_minutes');
            $table->string('words', 2000)->nullable();
            $table->string('state', 10);
            $table->dateTime('answer_until');
            $table->unsignedBigInteger('taken_time_id')->nullable();
            $table->dateTime('closed_at')->nullable();
            $table->timestamps();
            $table->index(['meeting_id', 'state']);
            $table->index(['state', 'answer_until']);
        });

        Schema::create('offered_times', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('time_offer_id')->constrained('time_offers')->cascadeOnDelete();
            $table->dateTime('starts_at');
            $table->unique(['time_offer_id', 'starts_at']);
        });

        Schema::create('asked_guests', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('time_offer_id')->constrained('time_offers')->cascadeOnDelete();
            $table->foreignUlid('person_id')->constrained('people')->cascadeOnDelete();
            $table->string('comment', 1000)->nullable();
            $table->dateTime('answered_at')->nullable();
            $table->unique(['time_offer_id', 'person_id']);
        });

        Schema::create('offer_answers', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('asked_guest_id')->constrained('asked_guests')->cascadeOnDelete();
            $table->foreignId('offered_time_id')->constrained('offered_times')->cascadeOnDelete();
            $table->string('reply', 10);
            $table->unique(['asked_guest_id', 'offered_time_id']);
        });

        // A link is for one person and one thing; only its hash is kept.
        Schema::create('guest_links', function (Blueprint $table): void {
            $table->id();
            $table->string('token_hash', 64)->collation('ascii_bin')->unique();
            $table->string('kind', 20);
            $table->foreignUlid('person_id')->constrained('people')->cascadeOnDelete();
            $table->foreignUlid('meeting_id')->constrained('meetings')->cascadeOnDelete();
            $table->foreignUlid('time_offer_id')->nullable()->constrained('time_offers')->cascadeOnDelete();
            $table->dateTime('expires_at')->index();
            $table->dateTime('created_at');
        });
    }
};
