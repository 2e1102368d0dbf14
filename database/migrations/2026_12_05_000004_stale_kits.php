<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Since when the people of a sent meeting hold a joining kit that holds no more; null: theirs is right. */
return new class () extends Migration {
    public function up(): void
    {
        Schema::table('meetings', function (Blueprint $table): void {
            $table->dateTime('kit_stale_at')->nullable()->index();
        });
    }

    public function down(): void
    {
        Schema::table('meetings', fn(Blueprint $table) => $table->dropColumn('kit_stale_at'));
    }
};
