<?php

declare(strict_types=1);

namespace App\Planning;

use Carbon\CarbonInterface;
use Closure;
use Illuminate\Contracts\Database\Query\Builder;

/** When a meeting is over: its last date has ended. One without end never is. */
final class Over
{
    public static function is(Meeting $meeting): bool
    {
        return $meeting->last_ends_at !== null && $meeting->last_ends_at->isPast();
    }

    /**
     * A condition for queries on meetings: something of it lies after a moment.
     *
     * @return Closure(Builder): mixed
     */
    public static function isNot(?CarbonInterface $at = null): Closure
    {
        $after = ($at ?? now())->format('Y-m-d H:i:s');

        return static fn(Builder $q) => $q->whereNull('meetings.last_ends_at')->orWhere('meetings.last_ends_at', '>', $after);
    }
}
