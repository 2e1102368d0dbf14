<?php

declare(strict_types=1);

namespace App\People;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Another address that the owner of an account asked for; it counts once the old and the new one have agreed. Links are kept
 * as hashes only.
 *
 * @property string $account_id
 * @property string $email
 * @property string $old_token_hash
 * @property string $new_token_hash
 * @property ?CarbonImmutable $old_agreed_at
 * @property ?CarbonImmutable $new_agreed_at
 * @property CarbonImmutable $expires_at
 * @property Account $account
 */
final class AddressChange extends Model
{
    protected $guarded = [];

    protected function casts(): array
    {
        return ['old_agreed_at' => 'immutable_datetime', 'new_agreed_at' => 'immutable_datetime', 'expires_at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<Account, $this> */
    public function account(): BelongsTo
    {
        return $this->belongsTo(Account::class);
    }
}
