<?php

declare(strict_types=1);

namespace App\Planning;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Collection;
use Syndex\Core\Time\WallTime;

/**
 * What one date of a meeting has of its own; whatever is null is as the series has it.
 *
 * @property int $id
 * @property string $meeting_id
 * @property CarbonImmutable $date_local as the series names it (RECURRENCE-ID), on the anchor's clock
 * @property ?int $duration_minutes
 * @property ?string $title
 * @property ?string $place empty: none
 * @property bool $own_people
 * @property Collection<int, DateAttendee> $attendees
 */
final class OwnDate extends Model
{
    public $timestamps = false;

    protected $table = 'meeting_dates';

    protected $guarded = [];

    protected function casts(): array
    {
        return ['date_local' => 'immutable_datetime', 'own_people' => 'boolean'];
    }

    /** @return HasMany<DateAttendee, $this> */
    public function attendees(): HasMany
    {
        return $this->hasMany(DateAttendee::class, 'meeting_date_id')->orderBy('position');
    }

    public function date(): WallTime
    {
        return WallTime::parse($this->date_local->format('Y-m-d\TH:i:s'));
    }

    public function asked(): SheetDate
    {
        return new SheetDate(
            $this->date(),
            $this->duration_minutes,
            $this->title,
            $this->place,
            $this->own_people ? array_values($this->attendees->map(static fn(DateAttendee $a): array => ['personId' => $a->person_id, 'role' => $a->role])->all()) : null,
        );
    }
}
