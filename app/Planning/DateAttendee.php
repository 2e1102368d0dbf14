<?php

declare(strict_types=1);

namespace App\Planning;

use App\People\Person;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Syndex\Core\ICalendar\AttendeeRole;

/**
 * Somebody on the list of one date whose people are its own.
 *
 * @property int $id
 * @property int $meeting_date_id
 * @property string $person_id
 * @property int $position
 * @property AttendeeRole $role
 * @property string $partstat
 * @property Person $person
 */
final class DateAttendee extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['role' => AttendeeRole::class];
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }

    /** @return BelongsTo<OwnDate, $this> */
    public function date(): BelongsTo
    {
        return $this->belongsTo(OwnDate::class, 'meeting_date_id');
    }
}
