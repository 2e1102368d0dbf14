<?php

declare(strict_types=1);

namespace App\Planning;

use App\People\Account;
use App\People\Team;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What a meeting can be started from: brief, length, repeats, people, room, under a name.
 *
 * @property string $id
 * @property string $account_id whose it is
 * @property ?string $team_id with whom it is shared; null: with nobody
 * @property string $name
 * @property string $name_key as it is compared
 * @property int $position among those of its owner
 * @property ?string $words the coordinator's own, which go with the invitation
 * @property array<string, mixed> $content {@see BlueprintContent}
 * @property int $used how many meetings were started from it
 * @property int $version
 * @property CarbonImmutable $updated_at
 * @property Account $account
 * @property ?Team $team
 */
final class Blueprint extends Model
{
    use HasUlids;

    protected $guarded = [];

    protected $attributes = ['used' => 0, 'version' => 1];

    protected function casts(): array
    {
        return ['content' => 'array', 'updated_at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<Account, $this> */
    public function account(): BelongsTo
    {
        return $this->belongsTo(Account::class);
    }

    /** @return BelongsTo<Team, $this> */
    public function team(): BelongsTo
    {
        return $this->belongsTo(Team::class);
    }
}
