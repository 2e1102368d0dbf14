<?php

declare(strict_types=1);

namespace App\Invitations;

use App\People\Person;
use App\Planning\Meeting;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One message to one recipient, and what became of it. The mail lies encrypted, as it was or will be sent.
 *
 * @property int $id
 * @property ?string $meeting_id
 * @property ?string $person_id
 * @property DispatchKind $kind
 * @property ?string $uid
 * @property ?int $sequence
 * @property ?string $recurrence_id the one date it is about, as its series names it
 * @property ?list<string> $changes what it tells, of a change
 * @property ?int $replaced_by the step that took its place
 * @property string $recipient
 * @property string $subject
 * @property string $message_id
 * @property string $envelope_token
 * @property ?int $snapshot_id
 * @property ?string $mail null until the worker makes it
 * @property DispatchState $state
 * @property CarbonImmutable $hold_until
 * @property CarbonImmutable $next_try_at
 * @property int $tries how often the other side gave an answer that was no yes
 * @property ?CarbonImmutable $attempted_at from here on it may have left
 * @property ?string $claimed_by
 * @property ?CarbonImmutable $claimed_at
 * @property ?CarbonImmutable $sent_at
 * @property ?string $outcome
 * @property CarbonImmutable $created_at
 * @property ?Meeting $meeting
 * @property ?Person $person
 */
final class Dispatch extends Model
{
    protected $guarded = [];

    protected $hidden = ['mail', 'envelope_token'];

    protected function casts(): array
    {
        return [
            'kind' => DispatchKind::class,
            'state' => DispatchState::class,
            'mail' => 'encrypted',
            'changes' => 'array',
            'hold_until' => 'immutable_datetime',
            'next_try_at' => 'immutable_datetime',
            'claimed_at' => 'immutable_datetime',
            'attempted_at' => 'immutable_datetime',
            'sent_at' => 'immutable_datetime',
            'created_at' => 'immutable_datetime',
        ];
    }

    /** @return BelongsTo<Meeting, $this> */
    public function meeting(): BelongsTo
    {
        return $this->belongsTo(Meeting::class);
    }

    /** @return BelongsTo<Snapshot, $this> */
    public function snapshot(): BelongsTo
    {
        return $this->belongsTo(Snapshot::class);
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }
}
