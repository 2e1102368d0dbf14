<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;

/**
 * A named group of people, which may lie within another.
 *
 * @property string $id
 * @property string $name
 * @property string $name_key as it is compared and listed: no accents, lower case
 * @property ?string $parent_id
 * @property ?array<string, mixed> $room what it has settled for rooms of those whose host belongs to it: {@see \App\HouseRules\RoomSource}
 */
final class Team extends Model
{
    use HasUlids;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['room' => 'array'];
    }

    /** @return BelongsToMany<Person, $this> */
    public function members(): BelongsToMany
    {
        return $this->belongsToMany(Person::class, 'team_members');
    }
}
