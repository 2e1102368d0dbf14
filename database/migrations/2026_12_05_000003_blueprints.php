<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What meetings are started from, under a name; a meeting remembers which one it came from. */
return new class () extends Migration {
    public function up(): void
    {
        Schema::create('blueprints', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('account_id')->constrained('accounts')->cascadeOnDelete();
            $table->foreignUlid('team_id')->nullable()->constrained('teams')->nullOnDelete();
            $table->string('name', 120);
            $table->string('name_key', 120);
            $table->unsignedInteger('position');
            $table->text('words')->nullable();
            $table->json('content');
            $table->unsignedInteger('used')->default(0);
            $table->unsignedInteger('version')->default(1);
            $table->timestamps();
            $table->unique(['account_id', 'name_key']);
            $table->index(['team_id']);
        });
        Schema::table('meetings', function (Blueprint $table): void {
            $table->foreignUlid('blueprint_id')->nullable()->constrained('blueprints')->nullOnDelete();
        });
    }

    public function down(): void
    {
        Schema::table('meetings', function (Blueprint $table): void {
            $table->dropConstrainedForeignId('blueprint_id');
        });
        Schema::drop('blueprints');
    }
};
