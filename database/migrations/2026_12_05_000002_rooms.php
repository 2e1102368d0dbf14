<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What is settled of rooms: for a meeting, and by a team for those whose host belongs to it; and what the bridge was told last. */
return new class () extends Migration {
    public function up(): void
    {
        Schema::table('meetings', function (Blueprint $table): void {
            $table->json('room')->nullable()->after('place');
        });
        Schema::table('teams', function (Blueprint $table): void {
            $table->json('room')->nullable();
        });
        Schema::table('joining_kits', function (Blueprint $table): void {
            $table->string('told', 32)->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('meetings', fn(Blueprint $table) => $table->dropColumn('room'));
        Schema::table('teams', fn(Blueprint $table) => $table->dropColumn('room'));
        Schema::table('joining_kits', fn(Blueprint $table) => $table->dropColumn('told'));
    }
};
