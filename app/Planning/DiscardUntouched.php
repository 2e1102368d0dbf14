<?php

declare(strict_types=1);

namespace App\Planning;

use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Each hour: drafts that somebody began and never touched vanish after a day. Safe to run twice. */
final class DiscardUntouched implements ShouldQueue
{
    use Queueable;

    public function handle(DiscardDraft $discard): void
    {
        Meeting::query()->untouched()->where('updated_at', '<', now()->subDay())->lazyById(100)->each(static fn(Meeting $draft) => $discard($draft));
    }
}
