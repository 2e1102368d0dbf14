<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\DB;

/** Each minute: feeds whose time has come are taken up, each by one node. */
final class ReadDueFeeds implements ShouldQueue
{
    use Queueable;

    private const MOST = 2500;

    /** One that is taken up and not read, since its worker died, is taken up again after so long. */
    private const AGAIN_MINUTES = 15;

    public function handle(): void
    {
        $ids = DB::transaction(static function (): array {
            $due = Calendar::query()->where('kind', 'feed')->where('next_try_at', '<=', now())->orderBy('next_try_at')->limit(self::MOST)->lock('for update skip locked')->pluck('id')->all();
            Calendar::query()->whereIn('id', $due)->update(['next_try_at' => now()->addMinutes(self::AGAIN_MINUTES)]);

            return $due;
        });
        foreach ($ids as $id) {
            ReadFeed::dispatch((int) $id);
        }
    }
}
