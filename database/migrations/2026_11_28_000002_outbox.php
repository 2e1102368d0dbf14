<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** What was told is kept once for all recipients; the worker makes each mail of it. */
return new class () extends Migration {
    public function up(): void
    {
        Schema::create('meeting_snapshots', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('meeting_id')->nullable()->constrained('meetings')->nullOnDelete();
            $table->string('method', 10);
            $table->unsignedInteger('sequence');
            $table->dateTime('stamped_at');
            $table->longText('content');
        });

        Schema::table('dispatches', function (Blueprint $table): void {
            $table->foreignId('snapshot_id')->nullable()->after('person_id')->constrained('meeting_snapshots')->restrictOnDelete();
            $table->longText('mail')->nullable()->change();
            $table->string('recipient', 254)->collation('utf8mb4_bin')->change();
            // From here on it may have left, whatever became of it.
            $table->dateTime('attempted_at')->nullable()->after('tries');
            $table->index('claimed_by');
        });
        DB::table('dispatches')->where('tries', '>', 0)->update(['attempted_at' => DB::raw('coalesce(sent_at, claimed_at, updated_at)')]);

        // Who works on the outbox: a number that a process beside the worker raises while it lives.
        Schema::create('outbox_workers', function (Blueprint $table): void {
            $table->string('id', 60)->primary();
            $table->unsignedBigInteger('beat')->default(0);
        });

        // One row while the relay is away or will not talk to us.
        Schema::create('outbox_holds', function (Blueprint $table): void {
            $table->unsignedTinyInteger('id')->primary();
            $table->dateTime('held_since');
            $table->string('why', 500);
            $table->unsignedSmallInteger('looks')->default(0);
            $table->dateTime('next_look_at');
        });
    }
};
