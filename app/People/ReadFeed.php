<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** One feed, read in a queue of its own, so that slow ones hold nothing else up. */
final class ReadFeed implements ShouldQueue
{
    use Queueable;

    public const QUEUE = 'feeds';

    public int $timeout = 80;

    public function __construct(public readonly int $calendarId)
    {
        $this->onQueue(self::QUEUE);
    }

    public function handle(ReadCalendar $read): void
    {
        $calendar = Calendar::query()->where('kind', 'feed')->find($this->calendarId);
        if ($calendar !== null) {
            $read($calendar);
        }
    }
}
