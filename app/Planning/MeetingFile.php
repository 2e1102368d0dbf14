<?php

declare(strict_types=1);

namespace App\Planning;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;

/**
 * A file that hangs on a meeting.
 *
 * @property string $id
 * @property string $meeting_id
 * @property ?string $account_id who brought it
 * @property string $name
 * @property string $type as found by its content
 * @property int $size octets
 * @property CarbonImmutable $created_at
 */
final class MeetingFile extends Model
{
    use HasUlids;

    public $timestamps = false;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['created_at' => 'immutable_datetime'];
    }
}
