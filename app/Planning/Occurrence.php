<?php

declare(strict_types=1);

namespace App\Planning;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One date of a meeting, laid down so that days and calendars are range queries.
 *
 * @property string $meeting_id
 * @property CarbonImmutable $date_local as the series names it (RECURRENCE-ID)
 * @property CarbonImmutable $starts_local
 * @property CarbonImmutable $starts_at
 * @property CarbonImmutable $ends_at
 * @property bool $all_day
 * @property Meeting $meeting
 */
final class Occurrence extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['date_local' => 'immutable_datetime', 'starts_local' => 'immutable_datetime', 'starts_at' => 'immutable_datetime', 'ends_at' => 'immutable_datetime', 'all_day' => 'boolean'];
    }

    /** @return BelongsTo<Meeting, $this> */
    public function meeting(): BelongsTo
    {
        return $this->belongsTo(Meeting::class);
    }
}
