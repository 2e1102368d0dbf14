<?php

declare(strict_types=1);

namespace App\Offers;

use App\People\Person;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Collection;
use Syndex\Core\Offers\OfferReply;

/**
 * Somebody to whom the times of a round are offered.
 *
 * @property int $id
 * @property string $time_offer_id
 * @property string $person_id
 * @property ?string $comment
 * @property ?CarbonImmutable $answered_at
 * @property Person $person
 * @property Collection<int, OfferAnswer> $answers
 */
final class AskedGuest extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['answered_at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }

    /** @return HasMany<OfferAnswer, $this> */
    public function answers(): HasMany
    {
        return $this->hasMany(OfferAnswer::class);
    }

    /** @return array<int, OfferReply> by time */
    public function replies(): array
    {
        return $this->answers->mapWithKeys(static fn(OfferAnswer $a): array => [$a->offered_time_id => $a->reply])->all();
    }
}
