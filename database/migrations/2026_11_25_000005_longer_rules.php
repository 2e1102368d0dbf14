<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** A rule by its parts may name many days. */
return new class () extends Migration {
    public function up(): void
    {
        Schema::table('meetings', function (Blueprint $table): void {
            $table->string('rrule', 2000)->nullable()->change();
        });
    }
};
