<?php

declare(strict_types=1);

namespace App\Answers;

use App\Invitations\Dispatch;
use App\People\Person;
use App\Planning\Meeting;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What came back about a meeting, by mail, on the page of a link or by telephone, and what became of it.
 *
 * @property int $id
 * @property ?string $meeting_id
 * @property ?string $person_id
 * @property ?int $dispatch_id that came back
 * @property ?string $account_id who wrote it down
 * @property ReplyKind $kind
 * @property string $via mail, page or phone
 * @property ReplyState $state
 * @property ?string $why it was kept aside or passed over
 * @property ?string $sender
 * @property ?CarbonImmutable $date_local the one date it is about, as the series names it
 * @property ?string $partstat
 * @property ?string $comment
 * @property ?CarbonImmutable $proposed_at of another time
 * @property ?int $proposed_minutes
 * @property ?string $delegate address of the one to whom it is handed on
 * @property ?string $digest
 * @property ?string $mail what was kept aside, as it came
 * @property ?string $decided_by
 * @property ?CarbonImmutable $decided_at
 * @property CarbonImmutable $created_at
 * @property ?Meeting $meeting
 * @property ?Person $person
 * @property ?Dispatch $dispatch
 */
final class Reply extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected $hidden = ['mail', 'digest'];

    protected function casts(): array
    {
        return [
            'kind' => ReplyKind::class, 'state' => ReplyState::class, 'mail' => 'encrypted', 'date_local' => 'immutable_datetime', 'proposed_at' => 'immutable_datetime',
            'decided_at' => 'immutable_datetime', 'created_at' => 'immutable_datetime',
        ];
    }

    /** @return BelongsTo<Meeting, $this> */
    public function meeting(): BelongsTo
    {
        return $this->belongsTo(Meeting::class);
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }

    /** @return BelongsTo<Dispatch, $this> */
    public function dispatch(): BelongsTo
    {
        return $this->belongsTo(Dispatch::class);
    }
}
