<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Somebody's own hours for work without meetings; null: as the house has them. */
return new class () extends Migration {
    public function up(): void
    {
        Schema::table('people', function (Blueprint $table): void {
            $table->json('quiet_hours')->nullable()->after('hours');
        });
    }

    public function down(): void
    {
        Schema::table('people', function (Blueprint $table): void {
            $table->dropColumn('quiet_hours');
        });
    }
};
