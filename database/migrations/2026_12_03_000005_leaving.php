<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** People who are forgotten: that it was done, and nothing of who they were. */
return new class () extends Migration {
    public function up(): void
    {
        Schema::table('people', fn(Blueprint $table) => $table->dateTime('forgotten_at')->nullable()->index());
        Schema::create('forgotten_people', function (Blueprint $table): void {
            $table->id();
            // Null: by the rule of the house.
            $table->foreignUlid('account_id')->nullable()->constrained('accounts')->nullOnDelete();
            $table->unsignedInteger('meetings');
            $table->unsignedInteger('mails');
            $table->dateTime('forgotten_at');
        });
    }
};
