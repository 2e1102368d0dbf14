<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Kits that people keep for many meetings. A room is known by the meeting it was made for, or by the person who keeps it
 * (`joining_kits.room_id`); which meetings are held in somebody's room follows from what was chosen for them.
 */
return new class () extends Migration {
    public function up(): void
    {
        Schema::table('joining_kits', static function (Blueprint $table): void {
            $table->char('room_id', 26)->nullable()->after('id');
            $table->foreignUlid('person_id')->nullable()->after('meeting_id')->constrained('people')->cascadeOnDelete();
            // An address of one's own choosing, the last part of its link.
            $table->string('address', 40)->nullable();
            // Since when people can hold what it holds now.
            $table->dateTime('renewed_at')->nullable();
        });
        DB::table('joining_kits')->update(['room_id' => DB::raw('meeting_id'), 'renewed_at' => DB::raw('created_at')]);
        Schema::table('joining_kits', static function (Blueprint $table): void {
            $table->char('room_id', 26)->nullable(false)->unique()->change();
            $table->char('meeting_id', 26)->nullable()->change();
        });
        Schema::create('room_addresses', static function (Blueprint $table): void {
            // Whoever had it keeps it from everybody else for good: its link stands in old invitations.
            $table->string('address', 40)->primary();
            $table->timestamp('chosen_at')->useCurrent();
        });
        Schema::table('meetings', static function (Blueprint $table): void {
            // (An index over a CHAR as it stands would depend on a mode of the session.)
            $table->string('standing_of', 26)->nullable()->virtualAs("if(json_contains(room, 'true', '$.standing'), rtrim(host_id), null)")->index();
            // The rules with which it was sent: a house that changes its mind changes nothing behind anybody's back.
            $table->json('room_sent')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('meetings', static fn(Blueprint $table) => $table->dropColumn(['standing_of', 'room_sent']));
        Schema::dropIfExists('room_addresses');
        DB::table('joining_kits')->whereNull('meeting_id')->delete();
        Schema::table('joining_kits', static function (Blueprint $table): void {
            $table->dropConstrainedForeignId('person_id');
            $table->dropColumn(['room_id', 'address', 'renewed_at']);
        });
    }
};
