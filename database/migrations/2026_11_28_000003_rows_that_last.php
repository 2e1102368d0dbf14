<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** A date, an agenda item and a room on the bridge keep who they are while they change. */
return new class () extends Migration {
    public function up(): void
    {
        Schema::table('agenda_items', function (Blueprint $table): void {
            // Items change places: for a moment two may stand at one.
            $table->index(['meeting_id', 'position'], 'agenda_in_order');
            $table->dropUnique(['meeting_id', 'position']);
        });
        Schema::table('occurrences', function (Blueprint $table): void {
            // A date is known by what the anchor's clock shows; new zone data move its moment.
            $table->unique(['meeting_id', 'starts_local']);
            $table->index(['meeting_id', 'starts_at']);
            $table->dropUnique(['meeting_id', 'starts_at']);
        });
        Schema::table('joining_kits', function (Blueprint $table): void {
            // The bridge did not answer a change: which passcode holds there is not sure.
            $table->dateTime('unsettled_at')->nullable();
        });
    }
};
