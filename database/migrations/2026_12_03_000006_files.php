<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Files on a meeting, in parts, so that none is larger than what the database takes at once. */
return new class () extends Migration {
    public function up(): void
    {
        Schema::create('meeting_files', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('meeting_id')->constrained('meetings')->cascadeOnDelete();
            $table->foreignUlid('account_id')->nullable()->constrained('accounts')->nullOnDelete();
            $table->string('name', 200);
            $table->string('type', 100);
            $table->unsignedInteger('size');
            $table->dateTime('created_at');
            $table->index(['meeting_id', 'created_at']);
        });
        Schema::create('meeting_file_parts', function (Blueprint $table): void {
            $table->foreignUlid('file_id')->constrained('meeting_files')->cascadeOnDelete();
            $table->unsignedInteger('position');
            $table->primary(['file_id', 'position']);
        });
        DB::statement('alter table meeting_file_parts add content mediumblob not null');
    }
};
