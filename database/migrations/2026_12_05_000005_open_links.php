<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class () extends Migration {
    public function up(): void
    {
        Schema::table('joining_kits', static function (Blueprint $table): void {
            $table->text('open_link')->nullable()->after('link');
        });
    }

    public function down(): void
    {
        Schema::table('joining_kits', static fn(Blueprint $table) => $table->dropColumn('open_link'));
    }
};
