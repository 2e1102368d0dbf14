<?php

declare(strict_types=1);

namespace App\Invitations;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * What was told at one step, once for all recipients. It is never changed; each mail is made from it.
 *
 * @property int $id
 * @property ?string $meeting_id
 * @property string $method
 * @property int $sequence
 * @property CarbonImmutable $stamped_at DTSTAMP
 * @property string $content JSON, see {@see FreezeMeeting}; encrypted, since passcodes stand in it
 */
final class Snapshot extends Model
{
    public $timestamps = false;

    protected $table = 'meeting_snapshots';

    protected $guarded = [];

    protected $hidden = ['content'];

    protected function casts(): array
    {
        return ['content' => 'encrypted', 'stamped_at' => 'immutable_datetime'];
    }
}
