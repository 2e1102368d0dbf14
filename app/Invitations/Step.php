<?php

declare(strict_types=1);

namespace App\Invitations;

use App\People\Account;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What was done to a meeting of which people know: by whom, from what to what. Kept as it was, in the form of {@see FreezeMeeting}.
 *
 * @property int $id
 * @property string $meeting_id
 * @property ?string $account_id
 * @property StepKind $kind
 * @property ?string $split_into_id the meeting that goes on where this step cut the series
 * @property int $sequence
 * @property ?string $before
 * @property ?string $after
 * @property ?string $words the coordinator's own, to those who are told
 * @property ?CarbonImmutable $taken_back_at
 * @property CarbonImmutable $created_at
 * @property ?Account $account
 */
final class Step extends Model
{
    public const UPDATED_AT = null;

    protected $table = 'meeting_steps';

    protected $guarded = [];

    protected $hidden = ['before', 'after', 'words'];

    protected function casts(): array
    {
        return ['kind' => StepKind::class, 'before' => 'encrypted', 'after' => 'encrypted', 'words' => 'encrypted', 'taken_back_at' => 'immutable_datetime', 'created_at' => 'immutable_datetime'];
    }

    /** The step at which a series was last cut; what it was before that cannot come back, since its later dates are another series now. */
    public static function lastCut(string $meetingId): int
    {
        return (int) self::query()->where('meeting_id', $meetingId)->whereNotNull('split_into_id')->whereNull('taken_back_at')->max('id');
    }

    /** @return BelongsTo<Account, $this> */
    public function account(): BelongsTo
    {
        return $this->belongsTo(Account::class);
    }
}
