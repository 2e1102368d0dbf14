<?php

declare(strict_types=1);

namespace App\Offers;

use App\Planning\Meeting;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Collection;

/**
 * A round in which times are offered to outside guests, who say which of them suit.
 *
 * @property string $id
 * @property string $meeting_id
 * @property ?string $account_id who offered
 * @property int $duration_minutes as it was offered
 * @property ?string $words the coordinator's own
 * @property OfferState $state
 * @property CarbonImmutable $answer_until
 * @property ?int $taken_time_id
 * @property ?CarbonImmutable $closed_at
 * @property CarbonImmutable $created_at
 * @property Meeting $meeting
 * @property Collection<int, OfferedTime> $times
 * @property Collection<int, AskedGuest> $guests
 */
final class TimeOffer extends Model
{
    use HasUlids;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['state' => OfferState::class, 'answer_until' => 'immutable_datetime', 'closed_at' => 'immutable_datetime', 'created_at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<Meeting, $this> */
    public function meeting(): BelongsTo
    {
        return $this->belongsTo(Meeting::class);
    }

    /** @return HasMany<OfferedTime, $this> */
    public function times(): HasMany
    {
        return $this->hasMany(OfferedTime::class)->orderBy('starts_at');
    }

    /** @return HasMany<AskedGuest, $this> */
    public function guests(): HasMany
    {
        return $this->hasMany(AskedGuest::class)->orderBy('id');
    }

    /**
     * The one of a meeting that is being planned which waits for an end: open, or taken by a sending that was taken back.
     *
     * @return Builder<self>
     */
    public static function openOf(string $meetingId): Builder
    {
        return self::query()->where('meeting_id', $meetingId)->whereIn('state', OfferState::UNENDED);
    }
}
