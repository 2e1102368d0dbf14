<?php

declare(strict_types=1);

namespace App\People;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Days on which somebody is away, in their own zone.
 *
 * @property int $id
 * @property string $person_id
 * @property CarbonImmutable $from_on
 * @property CarbonImmutable $until_on the last day, included
 * @property ?string $stand_in_id
 * @property ?string $note
 * @property bool $shows_note whether others see the note
 * @property Person $person
 * @property ?Person $standIn
 */
final class Absence extends Model
{
    protected $guarded = [];

    protected function casts(): array
    {
        return ['from_on' => 'immutable_date', 'until_on' => 'immutable_date', 'shows_note' => 'boolean'];
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }

    /** @return BelongsTo<Person, $this> */
    public function standIn(): BelongsTo
    {
        return $this->belongsTo(Person::class, 'stand_in_id');
    }
}
