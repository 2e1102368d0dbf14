<?php

declare(strict_types=1);

namespace App\People;

use App\Live\Live;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Foundation\Auth\User as Authenticatable;

/**
 * The right to sign in, of one person of the directory.
 *
 * @property string $id
 * @property string $person_id
 * @property string $email
 * @property ?string $password
 * @property Role $role
 * @property bool $demo
 * @property ?array<string, mixed> $settings
 * @property ?CarbonImmutable $deactivated_at
 * @property ?CarbonImmutable $signed_in_at
 * @property Person $person
 */
final class Account extends Authenticatable
{
    use HasUlids;

    protected $table = 'accounts';

    protected $guarded = [];

    protected $hidden = ['password', 'remember_token'];

    protected function casts(): array
    {
        return ['role' => Role::class, 'demo' => 'boolean', 'settings' => 'array', 'password' => 'hashed', 'deactivated_at' => 'immutable_datetime', 'signed_in_at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }

    public function isActive(): bool
    {
        return $this->deactivated_at === null;
    }

    /** What its open pages listen to. */
    public function channel(): string
    {
        return Live::channelOf($this->id, $this->role->plans());
    }
}
