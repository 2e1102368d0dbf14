<?php

declare(strict_types=1);

namespace App\Planning;

use App\People\Person;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Newer zone data moved a meeting on somebody's clock.
 *
 * @property int $id
 * @property string $meeting_id
 * @property string $person_id
 * @property string $zone_data
 * @property CarbonImmutable $was_local the first date that moved, as it was told
 * @property CarbonImmutable $now_local
 * @property int $dates
 * @property ?CarbonImmutable $noted_at
 * @property Meeting $meeting
 * @property Person $person
 */
final class ClockMove extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['was_local' => 'immutable_datetime', 'now_local' => 'immutable_datetime', 'noted_at' => 'immutable_datetime', 'found_at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<Meeting, $this> */
    public function meeting(): BelongsTo
    {
        return $this->belongsTo(Meeting::class);
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }
}
