<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Files of people on their way into the directory. The file itself goes as soon as it has been read, the report after a while. */
return new class () extends Migration {
    public function up(): void
    {
        Schema::create('people_imports', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('account_id')->constrained('accounts')->cascadeOnDelete();
            $table->string('name', 200);
            $table->string('kind', 10);
            $table->string('state', 12);
            $table->longText('content')->nullable();
            $table->json('mapping')->nullable();
            $table->boolean('has_heading')->default(true);
            $table->json('report')->nullable();
            $table->timestamps();
            $table->index(['state', 'updated_at']);
        });
    }
};
