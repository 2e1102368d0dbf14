<?php

declare(strict_types=1);

namespace App\People;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * Days on which somebody lives by another place's clock.
 *
 * @property int $id
 * @property string $person_id
 * @property string $zone
 * @property CarbonImmutable $from_on
 * @property CarbonImmutable $until_on included
 */
final class Journey extends Model
{
    protected $guarded = [];

    protected function casts(): array
    {
        return ['from_on' => 'immutable_date', 'until_on' => 'immutable_date'];
    }
}
