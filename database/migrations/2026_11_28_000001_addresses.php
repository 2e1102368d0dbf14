<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Syndex\Core\Invitations\MailAddress;

/** Addresses are told apart by each accent, not by letter case; an account's own address changes once both addresses agree. */
return new class () extends Migration {
    public function up(): void
    {
        Schema::table('people', function (Blueprint $table): void {
            $table->string('email_key', 254)->collation('utf8mb4_bin')->nullable()->after('email');
        });
        foreach (DB::table('people')->select(['id', 'email'])->orderBy('id')->lazy(500) as $person) {
            DB::table('people')->where('id', $person->id)->update(['email_key' => MailAddress::key((string) $person->email)]);
        }
        Schema::table('people', function (Blueprint $table): void {
            $table->string('email_key', 254)->collation('utf8mb4_bin')->nullable(false)->change();
            $table->unique('email_key');
            $table->dropUnique(['email']);
        });
        Schema::table('accounts', function (Blueprint $table): void {
            $table->string('email', 254)->collation('utf8mb4_bin')->change();
        });

        Schema::create('address_changes', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('account_id')->constrained('accounts')->cascadeOnDelete();
            $table->string('email', 254);
            $table->string('old_token_hash', 64)->unique();
            $table->string('new_token_hash', 64)->unique();
            $table->dateTime('old_agreed_at')->nullable();
            $table->dateTime('new_agreed_at')->nullable();
            $table->dateTime('expires_at');
            $table->timestamps();
        });
    }
};
