<?php

declare(strict_types=1);

namespace App\Planning;

use App\Joining\JoiningKit;
use App\People\Account;
use App\People\Person;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Support\Collection;

/**
 * One planned gathering, single or repeated: its rule and exceptions, not its dates.
 *
 * @property string $id
 * @property string $uid
 * @property string $address_token
 * @property string $coordinator_id
 * @property ?string $changes_id the sent meeting whose change this sheet is
 * @property ?CarbonImmutable $split_local of a sheet that changes a series from one of its dates on: that date; of the series that came of it: where it began
 * @property ?string $split_from_id the series of which this was the later part
 * @property ?string $split_from_uid
 * @property ?string $blueprint_id from which it was started
 * @property ?string $kit_of the meeting whose room it shares
 * @property ?CarbonImmutable $changed_at
 * @property ?string $host_id
 * @property MeetingStatus $status
 * @property int $version
 * @property string $title
 * @property ?string $purpose
 * @property list<array{label: string, url: string}> $links
 * @property CarbonImmutable $starts_local wall time of the anchor zone
 * @property string $zone
 * @property bool $all_day
 * @property int $duration_minutes
 * @property ?string $rrule
 * @property list<string> $extra_local
 * @property list<string> $dropped_local
 * @property ?list<array{string, string}> $moved_local which added date stands in for which dropped one
 * @property JoinMode $join_mode
 * @property ?string $place
 * @property ?array<string, mixed> $room what was chosen for it: {@see RoomChoices}
 * @property ?array<string, mixed> $room_sent the rules with which it was sent
 * @property ?bool $hides_people whether its people are hidden from each other; null: as usual with whoever is invited
 * @property ?int $reminder_minutes minutes ahead at which calendars remind; null: they do not
 * @property 'public'|'private'|'confidential' $calendar_class
 * @property ?list<string> $categories
 * @property bool $takes_no_time
 * @property bool $not_forwarded
 * @property int $sequence
 * @property ?CarbonImmutable $kit_stale_at since when its people hold a kit that holds no more
 * @property ?CarbonImmutable $kept_at
 * @property ?CarbonImmutable $sent_at
 * @property ?CarbonImmutable $called_off_at
 * @property ?CarbonImmutable $laid_until_on
 * @property ?string $laid_zone_data
 * @property ?CarbonImmutable $first_starts_at
 * @property ?CarbonImmutable $last_ends_at null for a series without end
 * @property ?CarbonImmutable $shown_at the date under which it is listed; null until something stands on its sheet
 * @property ?CarbonImmutable $shown_until when that date ends; null where none lies ahead
 * @property CarbonImmutable $created_at
 * @property CarbonImmutable $updated_at
 * @property Account $coordinator
 * @property ?Person $host
 * @property Collection<int, AgendaItem> $agenda
 * @property Collection<int, Attendee> $attendees
 * @property Collection<int, OwnDate> $dates those that have something of their own
 * @property Collection<int, Occurrence> $occurrences
 * @property ?JoiningKit $kit
 * @property ?self $change
 * @property ?Blueprint $blueprint
 * @property-read string $known_as
 * @property-read ?string $standing_of the person in whose room it is held
 * @property-read string $own_room_of
 * @property-read string $room_of
 */
final class Meeting extends Model
{
    use HasUlids;

    protected $guarded = [];

    protected $attributes = ['links' => '[]', 'extra_local' => '[]', 'dropped_local' => '[]', 'join_mode' => 'undecided', 'version' => 1, 'sequence' => 0, 'reminder_minutes' => EntryChoices::USUAL_REMINDER, 'calendar_class' => 'public', 'takes_no_time' => false, 'not_forwarded' => false];

    protected function casts(): array
    {
        return [
            'status' => MeetingStatus::class,
            'join_mode' => JoinMode::class,
            'links' => 'array',
            'extra_local' => 'array',
            'dropped_local' => 'array',
            'moved_local' => 'array',
            'all_day' => 'boolean',
            'hides_people' => 'boolean',
            'room' => 'array',
            'room_sent' => 'array',
            'categories' => 'array',
            'takes_no_time' => 'boolean',
            'not_forwarded' => 'boolean',
            'split_local' => 'immutable_datetime',
            'starts_local' => 'immutable_datetime',
            'kit_stale_at' => 'immutable_datetime',
            'kept_at' => 'immutable_datetime',
            'sent_at' => 'immutable_datetime',
            'changed_at' => 'immutable_datetime',
            'called_off_at' => 'immutable_datetime',
            'laid_until_on' => 'immutable_date',
            'first_starts_at' => 'immutable_datetime',
            'last_ends_at' => 'immutable_datetime',
            'shown_at' => 'immutable_datetime',
            'shown_until' => 'immutable_datetime',
            'created_at' => 'immutable_datetime',
            'updated_at' => 'immutable_datetime',
        ];
    }

    /** @return BelongsTo<Account, $this> */
    public function coordinator(): BelongsTo
    {
        return $this->belongsTo(Account::class);
    }

    /** @return BelongsTo<Blueprint, $this> */
    public function blueprint(): BelongsTo
    {
        return $this->belongsTo(Blueprint::class);
    }

    /** @return BelongsTo<Person, $this> */
    public function host(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }

    /** @return HasMany<AgendaItem, $this> */
    public function agenda(): HasMany
    {
        return $this->hasMany(AgendaItem::class)->orderBy('position');
    }

    /** @return HasMany<Attendee, $this> */
    public function attendees(): HasMany
    {
        return $this->hasMany(Attendee::class)->orderBy('position');
    }

    /** @return HasMany<OwnDate, $this> */
    public function dates(): HasMany
    {
        return $this->hasMany(OwnDate::class)->orderBy('date_local');
    }

    /** @return HasMany<Occurrence, $this> */
    public function occurrences(): HasMany
    {
        return $this->hasMany(Occurrence::class)->orderBy('starts_at');
    }

    /** @return HasOne<JoiningKit, $this> */
    public function kit(): HasOne
    {
        return $this->hasOne(JoiningKit::class, 'room_id', 'room_of');
    }

    /** @return HasOne<self, $this> the sheet of a change that waits */
    public function change(): HasOne
    {
        return $this->hasOne(self::class, 'changes_id');
    }

    /** The meeting that people know: of the sheet of a change the one it changes, else itself. Its room and its time are one. */
    public function getKnownAsAttribute(): string
    {
        return $this->changes_id ?? $this->id;
    }

    /** The meeting under which a room made for it is kept: parts of a series that was split go on in one room. */
    public function getOwnRoomOfAttribute(): string
    {
        return $this->kit_of ?? $this->known_as;
    }

    /** Said anew by what was chosen, since the column of this name is the database's own and follows only when it is read again. */
    public function getStandingOfAttribute(): ?string
    {
        return ($this->room['standing'] ?? false) === true ? $this->host_id : null;
    }

    /** The room it is held in: that of its host, or one of its own. */
    public function getRoomOfAttribute(): string
    {
        return $this->standing_of ?? $this->own_room_of;
    }

    /**
     * Everybody who is asked, to the whole or to a date of it; each once.
     *
     * @return list<Attendee|DateAttendee>
     */
    public function everybody(): array
    {
        $this->loadMissing(['attendees.person', 'dates.attendees.person']);
        $everybody = [];
        foreach ([...$this->attendees->all(), ...$this->dates->flatMap(static fn(OwnDate $d) => $d->attendees)->all()] as $asked) {
            $everybody[$asked->person_id . ' ' . $asked->person->email] ??= $asked;
        }

        return array_values($everybody);
    }

    /**
     * Leaves out drafts that were begun and never touched: they are gone by themselves a day later.
     *
     * @param  Builder<self>  $query
     */
    public function scopeTouched(Builder $query): void
    {
        $query->whereNotNull('shown_at');
    }

    /**
     * @param  Builder<self>  $query
     */
    public function scopeUntouched(Builder $query): void
    {
        $query->whereNull('shown_at')->whereNull('changes_id')->where('status', MeetingStatus::Draft);
    }
}
