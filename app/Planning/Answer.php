<?php

declare(strict_types=1);

namespace App\Planning;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Syndex\Core\Time\WallTime;

/**
 * What somebody last answered: to a meeting as a whole, or to one of its dates. Each is answered by itself (RFC 5546 2.1.5).
 *
 * @property int $id
 * @property string $meeting_id
 * @property string $person_id
 * @property ?CarbonImmutable $date_local as the series names it; null: the whole
 * @property string $partstat in lower case (RFC 5545 3.2.12)
 * @property ?string $comment
 * @property string $via mail, page or phone
 * @property ?string $account_id who wrote it down, of what came by telephone
 * @property int $sequence that it answers
 * @property CarbonImmutable $stamped_at when they wrote it
 * @property CarbonImmutable $answered_at when it came
 */
final class Answer extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['date_local' => 'immutable_datetime', 'stamped_at' => 'immutable_datetime', 'answered_at' => 'immutable_datetime'];
    }

    public function date(): ?WallTime
    {
        return $this->date_local === null ? null : WallTime::parse($this->date_local->format('Y-m-d\TH:i:s'));
    }
}
