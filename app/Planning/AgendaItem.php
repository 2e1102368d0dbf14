<?php

declare(strict_types=1);

namespace App\Planning;

use Illuminate\Database\Eloquent\Model;

/**
 * @property int $id
 * @property int $position
 * @property string $title
 * @property ?int $minutes
 * @property ?string $speaker
 */
final class AgendaItem extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    /**
     * "Lots 40-58 (Wanjiru), 25 minutes"
     *
     * @param  callable(int): string  $length  says so many minutes
     */
    public function inWords(callable $length): string
    {
        return $this->title . ($this->speaker === null ? '' : ' (' . $this->speaker . ')') . ($this->minutes === null ? '' : ', ' . $length($this->minutes));
    }
}
