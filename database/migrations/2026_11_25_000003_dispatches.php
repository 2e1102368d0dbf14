<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class () extends Migration {
    public function up(): void
    {
        Schema::create('dispatches', function (Blueprint $table): void {
            // Ascending, so that the order of writing is the order of sending.
            $table->id();
            $table->foreignUlid('meeting_id')->nullable()->constrained('meetings')->nullOnDelete();
            $table->foreignUlid('person_id')->nullable()->constrained('people')->nullOnDelete();
            $table->string('kind', 20);
            $table->string('uid', 120)->nullable();
            $table->unsignedInteger('sequence')->nullable();
            $table->string('recipient', 254);
            $table->string('subject', 998);
            $table->string('message_id', 200)->unique();
            $table->string('envelope_token', 40)->unique();
            $table->longText('mail');
            $table->string('state', 12);
            $table->dateTime('hold_until');
            $table->dateTime('next_try_at');
            $table->unsignedSmallInteger('tries')->default(0);
            $table->string('claimed_by', 60)->nullable();
            $table->dateTime('claimed_at')->nullable();
            $table->dateTime('sent_at')->nullable();
            $table->string('outcome', 500)->nullable();
            $table->timestamps();
            // The worker asks for what is due.
            $table->index(['state', 'next_try_at']);
            // Order and replacement: what else goes to this address about this meeting?
            $table->index(['uid', 'recipient', 'state']);
            $table->index(['meeting_id', 'id']);
            $table->index(['recipient', 'id']);
        });
    }
};
