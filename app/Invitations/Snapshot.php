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
 * @property ?int $step_id
 * @property ?string $before of a change: what its recipients knew
 * @property bool $tell_all
 * @property string $content JSON, see {@see FreezeMeeting}; encrypted, since passcodes stand in it
 */
final class Snapshot extends Model
{
    /** In place of a method: of a step whose messages differ by recipient. */
    public const CHANGE = 'CHANGE';

    /** Of the later part of a series that was cut: sent as a meeting of its own, told as a change. */
    public const LATER = 'LATER';

    public $timestamps = false;

    protected $table = 'meeting_snapshots';

    protected $guarded = [];

    protected $hidden = ['content', 'before'];

    protected function casts(): array
    {
        return ['content' => 'encrypted', 'before' => 'encrypted', 'tell_all' => 'boolean', 'stamped_at' => 'immutable_datetime'];
    }
}
