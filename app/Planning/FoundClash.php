<?php

declare(strict_types=1);

namespace App\Planning;

use App\People\Person;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Somebody whose calendar came to say that they have something else at a date to which they are asked.
 *
 * @property int $id
 * @property string $meeting_id
 * @property string $person_id
 * @property CarbonImmutable $date_local as the series names it
 * @property CarbonImmutable $starts_at
 * @property 'busy'|'tentative'|'away' $kind
 * @property CarbonImmutable $found_at
 * @property ?CarbonImmutable $noted_at
 * @property Meeting $meeting
 * @property Person $person
 */
final class FoundClash extends Model
{
    public $timestamps = false;

    protected $table = 'found_clashes';

    protected $guarded = [];

    protected function casts(): array
    {
        return ['date_local' => 'immutable_datetime', 'starts_at' => 'immutable_datetime', 'found_at' => 'immutable_datetime', 'noted_at' => 'immutable_datetime'];
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
