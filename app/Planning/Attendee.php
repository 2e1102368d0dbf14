<?php

declare(strict_types=1);

namespace App\Planning;

use App\People\Person;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Syndex\Core\ICalendar\AttendeeRole;

/**
 * @property int $id
 * @property string $meeting_id
 * @property string $person_id
 * @property int $position
 * @property AttendeeRole $role
 * @property ?string $team_id as which they were asked
 * @property string $partstat
 * @property Person $person
 */
final class Attendee extends Model
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
}
