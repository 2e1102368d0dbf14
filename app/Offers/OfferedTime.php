<?php

declare(strict_types=1);

namespace App\Offers;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * One of the times of a round: when the meeting, or the first date of its series, would begin.
 *
 * @property int $id
 * @property string $time_offer_id
 * @property CarbonImmutable $starts_at
 */
final class OfferedTime extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['starts_at' => 'immutable_datetime'];
    }
}
