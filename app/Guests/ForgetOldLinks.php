<?php

declare(strict_types=1);

namespace App\Guests;

use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Each night: links that have long expired are forgotten. */
final class ForgetOldLinks implements ShouldQueue
{
    use Queueable;

    public function handle(): void
    {
        GuestLink::query()->where('expires_at', '<', now()->subDays(GuestLinks::KEPT_DAYS))->delete();
    }
}
