<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class () extends Migration {
    public function up(): void
    {
        Schema::create('people', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->string('kind', 10);
            $table->string('name', 200)->nullable();
            $table->string('email', 254)->unique();
            $table->string('email_domain', 253)->index();
            $table->string('search_key', 500)->index();
            $table->string('zone', 64)->nullable();
            $table->string('language', 35)->default('en');
            $table->json('hours')->nullable();
            $table->string('job', 200)->nullable();
            $table->timestamps();
            $table->index(['kind', 'search_key']);
        });

        Schema::create('accounts', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('person_id')->unique()->constrained('people');
            $table->string('email', 254)->unique();
            $table->string('password')->nullable();
            $table->string('role', 20);
            $table->boolean('demo')->default(false);
            $table->json('settings')->nullable();
            $table->dateTime('deactivated_at')->nullable();
            $table->dateTime('signed_in_at')->nullable();
            $table->rememberToken();
            $table->timestamps();
        });

        Schema::create('account_tokens', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('account_id')->constrained('accounts')->cascadeOnDelete();
            $table->string('token_hash', 64)->unique();
            $table->dateTime('expires_at');
            $table->dateTime('used_at')->nullable();
            $table->timestamps();
        });

        Schema::create('house_rules', function (Blueprint $table): void {
            $table->string('name', 60)->primary();
            $table->json('value');
            $table->timestamps();
        });
    }
};
