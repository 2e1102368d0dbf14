<?php

declare(strict_types=1);

namespace App\Offers;

use Illuminate\Database\Eloquent\Model;
use Syndex\Core\Offers\OfferReply;

/**
 * What a guest said to one of the times.
 *
 * @property int $asked_guest_id
 * @property int $offered_time_id
 * @property OfferReply $reply
 */
final class OfferAnswer extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['reply' => OfferReply::class];
    }
}
