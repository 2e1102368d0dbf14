<?php

declare(strict_types=1);

namespace App\Guests;

use App\People\Person;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A link by which one outside guest comes to one page without an account. It is kept as a hash only.
 *
 * @property int $id
 * @property string $token_hash
 * @property GuestLinkKind $kind
 * @property string $person_id
 * @property string $meeting_id
 * @property ?string $time_offer_id
 * @property CarbonImmutable $expires_at
 * @property CarbonImmutable $created_at
 * @property Person $person
 */
final class GuestLink extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected $hidden = ['token_hash'];

    protected function casts(): array
    {
        return ['kind' => GuestLinkKind::class, 'expires_at' => 'immutable_datetime', 'created_at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }
}
